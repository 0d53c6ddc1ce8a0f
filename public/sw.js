/* Keeps opened sessions usable with no server, and the page that sessions are begun on without one: pages, and what they are made of. */
const BUILD = new URL(self.location.href).searchParams.get('build') ?? 'development';
const PAGES = `dirigo-pages-${BUILD}`;
const FILES = `dirigo-files-${BUILD}`;
/** A server that has not answered by then is taken for gone, ms. */
const PATIENCE = 5000;
/** For a page that has to be made first, ms. */
const LONGER = 20_000;

const isFile = (url) => url.pathname.startsWith('/_next/static/');
const isSession = (url) => /^(\/home\/[^/]+)?\/sessions\/[^/]+$/.test(url.pathname);
/** What begins so belongs to one student's link. */
const homeOf = (url) => /^\/home\/[^/]+\//.exec(`${url.pathname}/`)?.[0] ?? null;

async function keptFile(request) {
  const cache = await caches.open(FILES);
  const kept = await cache.match(request);
  if (kept) return kept;
  const response = await fetch(request);
  if (response.ok) await cache.put(request, response.clone());
  return response;
}

/* What may be seen no more is not kept either: a session that is gone, or that asks to sign in; and all of a link that was revoked. */
async function forget(url, revoked = false) {
  const cache = await caches.open(PAGES);
  const home = revoked ? homeOf(url) : null;
  for (const request of await cache.keys()) {
    const { pathname } = new URL(request.url);
    if (pathname === url.pathname || (home !== null && pathname.startsWith(home))) {
      await cache.delete(request);
    }
  }
}

/* The page that works with no server, for who asks for another that is not kept: a coach's, or that of a student's link. */
const shellOf = (url) => `${homeOf(url)?.slice(0, -1) ?? ''}/offline`;

async function freshPage(request) {
  const cache = await caches.open(PAGES);
  const url = new URL(request.url);
  const patience = isSession(url) || homeOf(url) !== null ? PATIENCE : LONGER;
  const late = new AbortController();
  const timer = setTimeout(() => late.abort(), patience);
  try {
    const response = await fetch(request, { signal: late.signal });
    // What has begun to come is waited for.
    clearTimeout(timer);
    if (response.ok && response.type === 'basic' && !response.redirected && isSession(url)) {
      await cache.put(request.url, response.clone());
    }
    if ([401, 403, 404, 410].includes(response.status) || response.type === 'opaqueredirect') {
      await forget(url, response.status === 410);
    }
    return response;
  } catch (error) {
    const shell = shellOf(url);
    // What the page shows stands behind the question mark; the page is the same.
    const kept = await cache.match(request.url, { ignoreSearch: url.pathname === shell });
    if (kept) return kept;
    if (!(await cache.match(shell))) throw error;
    return Response.redirect(`${shell}?to=${encodeURIComponent(url.pathname + url.search)}`);
  }
}

/* Keeps a page once all is kept that it is made of: what opens with no server works. */
async function keepPage(at, response, files) {
  const kept = await caches.open(FILES);
  await Promise.all(
    files.map(async (file) => {
      if (await kept.match(file)) return;
      const answer = await fetch(file);
      if (answer.ok) await kept.put(file, answer);
    }),
  );
  const pages = await caches.open(PAGES);
  await pages.put(at, response);
}

/* Keeps the page that works with no server, and all that it names of what pages are made of. */
async function keepShell(path) {
  const response = await fetch(path);
  if (!response.ok || response.redirected) return;
  const text = await response.clone().text();
  const named = new Set(text.match(/static\/(chunks|media)\/[\w.~-]+\.(js|css|woff2)/g) ?? []);
  await keepPage(
    path,
    response,
    [...named].map((name) => `/_next/${name}`),
  );
}

/* The queue of src/features/session/queue.ts; null where there is none on this device. */
const openQueue = () =>
  new Promise((resolve) => {
    const request = indexedDB.open('dirigo');
    // It is not there yet: it is the page's to make.
    request.onupgradeneeded = () => request.transaction.abort();
    request.onerror = () => resolve(null);
    request.onsuccess = () => resolve(request.result);
  });

const asked = (request) =>
  new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error);
  });

/* What waits, each with its key. */
async function waitingRows(database) {
  const store = database.transaction('events').objectStore('events');
  const [keys, rows] = await Promise.all([asked(store.getAllKeys()), asked(store.getAll())]);
  return rows.map((row, index) => ({ ...row, key: keys[index] }));
}

/* So many events are sent at once. */
const BATCH = 200;

/* Sends a batch of one run; what the server refuses stays for a page, which shows it. True when more may follow. */
async function sendBatch(database, runId, owner) {
  const own = (await waitingRows(database))
    .filter((row) => row.runId === runId && row.owner === owner)
    .slice(0, BATCH);
  if (own.length === 0) return false;
  const home = own[0].home;
  const address = home ? `/home/${home}/runs/${runId}` : `/api/runs/${runId}/putts`;
  const response = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      events: own.map(({ event }) => ({ ...event, knowing: false })),
      owner: owner ?? null,
    }),
  });
  const answer = await response.json();
  if (!answer.ok) return false;
  const refused = new Set(answer.refused.map(({ type, id }) => `${type} ${id}`));
  const taken = own.filter(({ event }) => !refused.has(`${event.type} ${event.id}`));
  const store = database.transaction('events', 'readwrite').objectStore('events');
  await Promise.all(taken.map(({ key }) => asked(store.delete(key))));
  return own.length === BATCH && taken.length > 0;
}

/* Sends what waits on this device, run by run, one sender at a time over all pages and this worker. */
async function sendWaiting() {
  const database = await openQueue();
  if (!database) return;
  const rows = await waitingRows(database);
  const runs = new Map(rows.map(({ runId, owner }) => [`${runId} ${owner}`, { runId, owner }]));
  for (const { runId, owner } of runs.values()) {
    await navigator.locks.request(`dirigo-${runId}`, async () => {
      while (await sendBatch(database, runId, owner));
    });
  }
  database.close();
}

/* There is a signal again, whether a page of ours is open or not. */
self.addEventListener('sync', (event) => {
  if (event.tag === 'dirigo-send') event.waitUntil(sendWaiting());
});

self.addEventListener('install', () => self.skipWaiting());

/* A new build empties what the old ones kept. */
self.addEventListener('activate', (event) =>
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys()) {
        if (name.startsWith('dirigo-') && name !== PAGES && name !== FILES) {
          await caches.delete(name);
        }
      }
      await self.clients.claim();
    })(),
  ),
);

self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (isFile(url)) event.respondWith(keptFile(event.request));
  else if (event.request.mode === 'navigate') event.respondWith(freshPage(event.request));
});

/* A page that was loaded before this worker stood tells what it is made of; one that was refused tells that too. */
self.addEventListener('message', (event) => {
  const { page, files, refused, shell } = event.data ?? {};
  if (typeof shell === 'string') {
    event.waitUntil(keepShell(shell));
    return;
  }
  if (typeof refused === 'string') {
    event.waitUntil(forget(new URL(refused)));
    return;
  }
  if (typeof page !== 'string' || !Array.isArray(files)) return;
  event.waitUntil(
    (async () => {
      const response = await fetch(page);
      if (!response.ok || response.redirected) return;
      await keepPage(
        page,
        response,
        files.filter((file) => isFile(new URL(file))),
      );
    })(),
  );
});

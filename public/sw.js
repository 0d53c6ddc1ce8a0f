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

/* What may be seen no more is not kept either: a session that is gone, or that asks to sign in, and all of a link that was ended. */
async function forget(url) {
  const cache = await caches.open(PAGES);
  const home = homeOf(url);
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
    if ([401, 403, 404].includes(response.status) || response.type === 'opaqueredirect') {
      await forget(url);
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

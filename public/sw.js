/* Keeps an opened session usable with no server: its page and what the page is made of. */
const BUILD = new URL(self.location.href).searchParams.get('build') ?? 'development';
const PAGES = `dirigo-pages-${BUILD}`;
const FILES = `dirigo-files-${BUILD}`;
/** A server that has not answered by then is taken for gone, ms. */
const PATIENCE = 5000;

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

async function freshPage(request) {
  const cache = await caches.open(PAGES);
  const url = new URL(request.url);
  try {
    const response = await fetch(request, { signal: AbortSignal.timeout(PATIENCE) });
    if (response.ok && response.type === 'basic' && !response.redirected && isSession(url)) {
      await cache.put(request.url, response.clone());
    }
    if ([401, 403, 404].includes(response.status) || response.type === 'opaqueredirect') {
      await forget(url);
    }
    return response;
  } catch (error) {
    const kept = await cache.match(request.url);
    if (kept) return kept;
    throw error;
  }
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
  else if (event.request.mode === 'navigate' && (isSession(url) || homeOf(url) !== null)) {
    event.respondWith(freshPage(event.request));
  }
});

/* A page that was loaded before this worker stood tells what it is made of; one that was refused tells that too. */
self.addEventListener('message', (event) => {
  const { page, files, refused } = event.data ?? {};
  if (typeof refused === 'string') {
    event.waitUntil(forget(new URL(refused)));
    return;
  }
  if (typeof page !== 'string' || !Array.isArray(files)) return;
  event.waitUntil(
    (async () => {
      const cache = await caches.open(PAGES);
      const response = await fetch(page);
      if (response.ok && !response.redirected) await cache.put(page, response);
      const kept = await caches.open(FILES);
      await Promise.allSettled(
        files.map(async (file) => {
          if (isFile(new URL(file)) && !(await kept.match(file))) await kept.add(file);
        }),
      );
      event.source?.postMessage({ kept: page });
    })(),
  );
});

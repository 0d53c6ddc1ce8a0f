/* Keeps an opened session usable with no server: its page and what the page is made of. */
const PAGES = 'dirigo-pages-1';
const FILES = 'dirigo-files-1';
/** A server that has not answered by then is taken for gone, ms. */
const PATIENCE = 5000;

const isFile = (url) => url.pathname.startsWith('/_next/static/');
const isSession = (url) => /^(\/home\/[^/]+)?\/sessions\/[^/]+$/.test(url.pathname);

async function keptFile(request) {
  const cache = await caches.open(FILES);
  const kept = await cache.match(request);
  if (kept) return kept;
  const response = await fetch(request);
  if (response.ok) await cache.put(request, response.clone());
  return response;
}

async function freshPage(request) {
  const cache = await caches.open(PAGES);
  try {
    const response = await fetch(request, { signal: AbortSignal.timeout(PATIENCE) });
    if (response.ok && response.type === 'basic' && !response.redirected) {
      await cache.put(request.url, response.clone());
    }
    return response;
  } catch (error) {
    const kept = await cache.match(request.url);
    if (kept) return kept;
    throw error;
  }
}

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (isFile(url)) event.respondWith(keptFile(event.request));
  else if (event.request.mode === 'navigate' && isSession(url)) {
    event.respondWith(freshPage(event.request));
  }
});

/* A page that was loaded before this worker stood tells what it is made of. */
self.addEventListener('message', (event) => {
  const { page, files } = event.data ?? {};
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

/** Forgets the pages that this device kept for a coach: whoever is signed out here sees none of them any more. */
export async function forgetPages(): Promise<void> {
  if (!('caches' in window)) return;
  for (const name of await caches.keys()) {
    if (!name.startsWith('dirigo-pages-')) continue;
    const cache = await caches.open(name);
    for (const request of await cache.keys()) {
      if (!new URL(request.url).pathname.startsWith('/home/')) await cache.delete(request);
    }
  }
}

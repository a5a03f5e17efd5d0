// Answers for the server while it does not: with a page that says so, and what waits in this browser.
const shell = 'tovrik-offline-1';
const page = '/offline-page.html';
const pieces = [page, '/offline-page.js', '/icon.svg'];
/** What the page may load and run: that of the server carries a secret of one answer. */
const policy = "default-src 'self'; style-src 'self' 'unsafe-inline'; frame-ancestors 'none'";

self.addEventListener('install', (event) => {
  const fresh = pieces.map((piece) => new Request(piece, { cache: 'reload' }));
  event.waitUntil(caches.open(shell).then((cache) => cache.addAll(fresh)));
  self.skipWaiting();
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys()) if (name !== shell) await caches.delete(name);
      // The request of a page does not wait until this worker is awake.
      await self.registration.navigationPreload?.enable();
      await self.clients.claim();
    })(),
  );
});

async function answered({ request, preloadResponse }) {
  try {
    return (await preloadResponse) ?? (await fetch(request));
  } catch {
    const kept = await caches.match(page);
    if (!kept) return Response.error();
    return new Response(await kept.text(), {
      status: 503,
      headers: { 'content-type': 'text/html; charset=utf-8', 'content-security-policy': policy },
    });
  }
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  if (request.mode === 'navigate') event.respondWith(answered(event));
  else if (pieces.includes(new URL(request.url).pathname))
    event.respondWith(fetch(request).catch(async () => (await caches.match(request)) ?? Response.error()));
});

// Makes the whole application work without its server after the first visit. VERSION and FILES are written above this by scripts/service-worker.mjs.
/* global self, caches, fetch, Response, URL, VERSION, FILES */
const CACHE = `intarsia-${VERSION}`;
const AT_ONCE = 8;

async function fill() {
  const cache = await caches.open(CACHE);
  for (let i = 0; i < FILES.length; i += AT_ONCE)
    await Promise.all(
      FILES.slice(i, i + AT_ONCE).map(async (path) => {
        const response = await fetch(path, { cache: 'no-cache' });
        if (!response.ok) throw new Error(`${path}: ${response.status}`);
        // A page that was redirected to may not answer a navigation: only its content is kept.
        await cache.put(path, new Response(await response.blob(), { status: 200, headers: response.headers }));
      }),
    );
}

async function clean() {
  for (const name of await caches.keys()) if (name.startsWith('intarsia-') && name !== CACHE) await caches.delete(name);
  await self.clients.claim();
}

/** The kept file of an address, whatever is asked of it: all pages are static. */
async function kept({ pathname }) {
  const cache = await caches.open(CACHE);
  const path = pathname.length > 1 ? pathname.replace(/\/$/, '') : pathname;
  const found = (await cache.match(pathname)) ?? (await cache.match(path)) ?? (await cache.match(`${path}/`));
  // A fresh response has no address of its own: workers read their settings from the address that they were started with.
  return found && new Response(found.body, { status: found.status, headers: found.headers });
}

self.addEventListener('install', (event) => event.waitUntil(fill()));
self.addEventListener('activate', (event) => event.waitUntil(clean()));
// A new version waits until the page says so: never in the middle of an edit.
self.addEventListener('message', ({ data }) => data === 'take over' && self.skipWaiting());
self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/')) return;
  // Parts of pages that the framework asks for: without a server it loads the whole page instead.
  if (request.headers.has('rsc') || url.searchParams.has('_rsc')) return;
  event.respondWith(kept(url).then((found) => found ?? fetch(request)));
});

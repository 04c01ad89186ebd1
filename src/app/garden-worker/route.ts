/**
 * The script that keeps pages for the garden on the device. Pages come from the server whenever it answers; the last
 * ones of the garden stand in when it does not. Writes never pass here: they wait in the outbox.
 */
const SCRIPT = `
const KEPT = "garden-1";
const PAGES = ["/", "/round"];
self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));
const keep = async (request, response) => {
  if (response.ok) await (await caches.open(KEPT)).put(request, response.clone());
  return response;
};
const page = async (request, path) => {
  try {
    return await keep(path, await fetch(request));
  } catch (failure) {
    const kept = await caches.match(path);
    if (kept) return kept;
    throw failure;
  }
};
const part = async (request) => (await caches.match(request)) ?? keep(request, await fetch(request));
self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== self.location.origin) return;
  if (request.mode === "navigate" && PAGES.includes(url.pathname)) event.respondWith(page(request, url.pathname));
  else if (url.pathname.startsWith("/_next/static/")) event.respondWith(part(request));
});
`;

export function GET(): Response {
  return new Response(SCRIPT, {
    headers: {
      "content-type": "text/javascript; charset=utf-8",
      "cache-control": "no-cache",
      "service-worker-allowed": "/",
    },
  });
}

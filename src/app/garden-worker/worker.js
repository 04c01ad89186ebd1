/*
 * What the browser keeps for the garden: Today and the round, the families that Today speaks of and those that were opened
 * last, with all they are drawn with, as they were when the server last answered, and a page that says so for the rest. Pages come from the server whenever it answers. Writes never pass
 * here: they wait in the outbox. `workbox`, `VERSION` and `PARTS_OF_BUILD` are written before this.
 */
/* global workbox, VERSION, PARTS_OF_BUILD */
const { precaching, routing, strategies } = workbox;

const PAGES = ["/", "/round"];
/** A family's bench, and so many of them. */
const FAMILY = /^\/nursery\/[\w-]+$/;
const FAMILIES = 12;
const FAMILY_LINKS = /href="(\/nursery\/[\w-]+)[?#"]/g;
const OFFLINE = "/offline";
const KEPT = { pages: `garden-pages-${VERSION}`, parts: `garden-parts-${VERSION}` };
/** A server that takes longer is taken as away, s. */
const PATIENCE = 6;
/** Pages are kept anew so long after the last press, ms: one press draws a page several times. */
const PAUSE = 1500;
/** What a page is drawn with, as its text names it. */
const PARTS = /\/_next\/static\/[\w.~/-]+\.(?:js|css|woff2)/g;

precaching.precache([{ url: OFFLINE, revision: VERSION }]);
precaching.cleanupOutdatedCaches();

/** Keeps a part, unless it is kept already. */
async function keepPart(part) {
  const parts = await caches.open(KEPT.parts);
  return (await parts.match(part)) ?? parts.add(part).catch(() => undefined);
}

/** Keeps what a page names. */
const keepParts = (text) => Promise.all([...new Set(text.match(PARTS) ?? [])].map(keepPart));

/** What a page fetches only when something on it is opened is kept as well, one by one: there is no hurry. */
async function keepRest() {
  for (const part of PARTS_OF_BUILD) await keepPart(part);
}

/** Keeps a page as it is now. @returns its text; empty where the server gives none */
async function keepPage(pages, path) {
  const response = await fetch(path, { headers: { accept: "text/html" } }).catch(() => null);
  if (!response?.ok) return "";
  // Put in anew, so that what is kept is in the order in which it was kept last.
  await pages.delete(path);
  await pages.put(path, response.clone());
  const text = await response.text();
  await keepParts(text);
  return text;
}

/** Families that were opened since the pages were kept last. */
const opened = new Set();
/** When each family was kept. One that nobody opened here changes by other hands alone: it is kept anew now and then, ms. */
const keptAt = new Map();
const ANEW = 600_000;
const isStale = (family) => Date.now() - (keptAt.get(family) ?? 0) > ANEW;

async function keepPages() {
  const pages = await caches.open(KEPT.pages);
  const due = [];
  for (const path of PAGES)
    due.push(...[...(await keepPage(pages, path)).matchAll(FAMILY_LINKS)].map(([, family]) => family));
  for (const path of [...new Set([...due.filter(isStale), ...opened])].slice(-FAMILIES)) {
    if (await keepPage(pages, path)) keptAt.set(path, Date.now());
    opened.delete(path);
  }
  const families = (await pages.keys()).filter(({ url }) => FAMILY.test(new URL(url).pathname));
  for (const old of families.slice(0, -FAMILIES)) await pages.delete(old);
}

let latest = 0;
/** Keeps the pages once presses have paused. */
async function keepSoon() {
  const mine = ++latest;
  await new Promise((next) => setTimeout(next, PAUSE));
  if (mine === latest) await keepPages();
}

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => {
  const tidy = async () => {
    await self.clients.claim();
    const old = (await caches.keys()).filter(
      (name) => name.startsWith("garden-") && !Object.values(KEPT).includes(name),
    );
    await Promise.all(old.map((name) => caches.delete(name)));
    const offline = await precaching.matchPrecache(OFFLINE);
    if (offline) await keepParts(await offline.text());
    await keepPages();
    await keepRest();
  };
  event.waitUntil(tidy());
});

const toPage = ({ url, sameOrigin }) => sameOrigin && (PAGES.includes(url.pathname) || FAMILY.test(url.pathname));

routing.registerRoute(
  (asked) => toPage(asked) && asked.request.mode === "navigate",
  new strategies.NetworkFirst({
    cacheName: KEPT.pages,
    networkTimeoutSeconds: PATIENCE,
    matchOptions: { ignoreVary: true },
    plugins: [{ cacheKeyWillBeUsed: async ({ request }) => new URL(request.url).pathname }],
  }),
);
// A worker is told its work in its address, which what is kept has lost.
routing.registerRoute(
  ({ url, sameOrigin, request }) =>
    sameOrigin && url.pathname.startsWith("/_next/static/") && !request.destination.endsWith("worker"),
  new strategies.CacheFirst({ cacheName: KEPT.parts }),
);
routing.registerRoute(({ request }) => request.mode === "navigate", new strategies.NetworkOnly());
routing.setCatchHandler(async ({ request }) =>
  request.mode === "navigate" ? ((await precaching.matchPrecache(OFFLINE)) ?? Response.error()) : Response.error(),
);

// A press draws a page anew, without turning it: what is kept follows.
self.addEventListener("fetch", (event) => {
  const url = new URL(event.request.url);
  const drawn = event.request.mode === "navigate" || event.request.headers.has("rsc");
  if (event.request.method !== "GET" || !drawn || !toPage({ url, sameOrigin: url.origin === self.location.origin }))
    return;
  if (FAMILY.test(url.pathname)) opened.add(url.pathname);
  event.waitUntil(keepSoon());
});

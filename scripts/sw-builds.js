/**
 * Read into the service worker before everything else (scripts/build-sw.mjs). Two things that its library does not do:
 * a document that could not start is never kept, and a tab that runs on an earlier build keeps that build's files.
 */
/* global self, caches */
(() => {
  const EARLIER = "tamis-earlier-build";
  /** Which tabs ran when a new build took over, by the browser's own names for them. */
  const TABS = "/tabs-of-an-earlier-build";
  /** The files of this build, put here by scripts/build-sw.mjs. */
  const OWN = new Set(self.TAMIS_FILES);

  /** The policy that a page carries in itself. */
  const policyIn = (html) => /http-equiv="Content-Security-Policy" content="([^"]*)"/.exec(html)?.[1] ?? "";

  /**
   * A host may send the last build's policy with this build's page: its inline scripts are then refused, and the page
   * stands still at every visit. Then this build is not installed, and the one before goes on.
   */
  async function startable() {
    const page = await fetch("/index.html", { cache: "no-store" });
    const sent = page.headers.get("Content-Security-Policy");
    if (sent === null) return;
    const needed = policyIn(await page.text()).match(/'sha256-[^']+'/g) ?? [];
    if (!needed.every((hash) => sent.includes(hash)))
      throw new Error("the host sends another build's policy with this page");
  }

  /**
   * Every kept page is kept with its own policy, whatever its host sent along: a try to install that was broken off may
   * have left it with another build's.
   */
  async function giveOwnPolicy() {
    for (const name of await caches.keys()) {
      if (!name.includes("precache")) continue;
      const files = await caches.open(name);
      for (const request of await files.keys()) {
        const page = await files.match(request);
        if (!page?.headers.get("Content-Type")?.startsWith("text/html")) continue;
        const html = await page.text();
        const headers = new Headers(page.headers);
        headers.set("Content-Security-Policy", `${policyIn(html)}; ${self.TAMIS_NOT_FRAMED}`);
        await files.put(request, new Response(html, { headers }));
      }
    }
  }

  /** What the build before has kept, before its files are cleared away. */
  async function keepEarlier() {
    if (!self.registration.active) return;
    const kept = await caches.open(EARLIER);
    for (const name of await caches.keys()) {
      if (!name.includes("precache")) continue;
      const files = await caches.open(name);
      for (const request of await files.keys()) {
        const { pathname } = new URL(request.url);
        if (!pathname.startsWith("/assets/") || OWN.has(pathname)) continue;
        const file = await files.match(request);
        if (file) await kept.put(pathname, file);
      }
    }
  }

  const tabsNow = async () => {
    const tabs = await self.clients.matchAll({ type: "window", includeUncontrolled: true });
    return tabs.map(({ id }) => id);
  };

  async function noteTabs() {
    if (!(await caches.has(EARLIER))) return;
    const kept = await caches.open(EARLIER);
    await kept.put(TABS, new Response(JSON.stringify(await tabsNow())));
  }

  /** With every visit: once the last of those tabs is gone, so is what was kept for them. */
  async function tidy() {
    if (!(await caches.has(EARLIER))) return;
    const noted = await (await caches.open(EARLIER)).match(TABS);
    if (!noted) return;
    const there = new Set(await tabsNow());
    const before = await noted.json();
    if (!before.some((id) => there.has(id))) await caches.delete(EARLIER);
  }

  self.addEventListener("install", (event) => event.waitUntil(Promise.all([startable(), keepEarlier()])));
  self.addEventListener("activate", (event) => event.waitUntil(Promise.all([giveOwnPolicy(), noteTabs()])));
  self.addEventListener("fetch", (event) => {
    if (event.request.mode === "navigate") event.waitUntil(tidy());
    const { origin, pathname } = new URL(event.request.url);
    if (origin !== self.location.origin || !pathname.startsWith("/assets/") || OWN.has(pathname)) return;
    event.respondWith(
      caches
        .open(EARLIER)
        .then((kept) => kept.match(pathname))
        .then((file) => file ?? fetch(event.request)),
    );
  });
})();

/**
 * How fast the built app is in the browser: `npm run build:demo`, then `npm run bench:browser`.
 * Cold start with the processor slowed four times, first-load JavaScript, keystroke in the air to the new
 * card, and tasks over 50 ms. Prints what it measured; asserts nothing.
 */
import { gzipSync } from "node:zlib";
import { chromium, type Browser, type CDPSession, type Page, type Response } from "@playwright/test";
import { LAUNCH, serveBuild } from "../e2e/browser.ts";

const PORT = 4497;
const RIG = `http://localhost:${PORT}/rigs/rig:demo-enduro`;
const SLOWER = 4;

const quantile = (values: number[], share: number): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
};

/** The script runner wraps named functions in a helper that the page does not have. */
async function newPage(browser: Browser): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript({ content: "globalThis.__name = (work) => work" });
  return page;
}

async function slowDown(page: Page): Promise<CDPSession> {
  const session = await page.context().newCDPSession(page);
  await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
  return session;
}

/** In the page, before anything of it: when the card first stands there, by the clock of all machines. */
const NOTE_CARD = `new MutationObserver((_, watch) => {
  if (!document.querySelector('[aria-label="The card"]')?.textContent.includes("Main")) return;
  globalThis.cardAt = Date.now();
  watch.disconnect();
  // From the address until its frame is drawn, by the page's own clock: what looks from outside costs time of its own.
  requestAnimationFrame(() => setTimeout(() => (globalThis.cardAfter = performance.now())));
}).observe(document, { childList: true, subtree: true })`;

async function coldStart(browser: Browser): Promise<void> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.addInitScript({ content: NOTE_CARD });
  const sizes = new Map<string, Promise<{ asked: number; size: number }>>();
  const toLoad = (response: Response): void => {
    const url = response.url();
    // What page and worker both read is asked for once more, and counted once.
    if (!url.endsWith(".js") || url.endsWith("/sw.js") || sizes.has(url)) return;
    const asked = response.request().timing().startTime;
    sizes.set(
      url,
      response.body().then(
        (body) => ({ asked, size: gzipSync(body).length }),
        () => ({ asked, size: 0 }),
      ),
    );
  };
  page.on("response", toLoad);
  const session = await slowDown(page);
  const started = performance.now();
  await page.goto(RIG);
  await page.getByRole("complementary").getByText("Main", { exact: true }).waitFor();
  const first = performance.now() - started;
  page.off("response", toLoad);
  const cardAt = await page.evaluate<number>("globalThis.cardAt");
  const before = (await Promise.all(sizes.values())).filter(({ asked }) => asked <= cardAt);
  const gzipped = before.reduce((sum, { size }) => sum + size, 0);
  console.log(
    `first visit, demo made, ${SLOWER}× slower: card after ${first.toFixed(0)} ms; ${before.length} scripts asked for before it stood, ${(gzipped / 1000).toFixed(0)} kB gzip, workers included`,
  );
  // A later visit has no signal and needs none.
  await session.send("Emulation.setCPUThrottlingRate", { rate: 1 });
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.reload();
  await page.getByRole("complementary").getByText("Main", { exact: true }).waitFor();
  await context.setOffline(true);
  await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
  const times: number[] = [];
  for (let i = 0; i < 15; i += 1) {
    await page.goto(RIG);
    await page.getByRole("complementary").getByText("Main", { exact: true }).waitFor();
    await page.waitForTimeout(100);
    times.push(await page.evaluate<number>("globalThis.cardAfter"));
  }
  console.log(
    `later visits, offline, ${SLOWER}× slower: card after ${quantile(times, 0.5).toFixed(0)} ms (median of ${times.length}), ${times.map((t) => t.toFixed(0)).join(" ")}`,
  );
  await context.close();
}

/** Types temperatures one after another and times each from the key to the strip as it then stands in the page. */
async function keystrokes(browser: Browser): Promise<void> {
  const page = await newPage(browser);
  await page.goto(`${RIG}/air`);
  await page.getByLabel("Humidity", { exact: true }).fill("46");
  await page.getByLabel("Pressure", { exact: true }).fill("863");
  await page.getByLabel("Temperature").fill("20");
  await page.waitForTimeout(500);
  const result = await page.evaluate(async () => {
    const long: number[] = [];
    new PerformanceObserver((list) => list.getEntries().forEach((task) => long.push(task.duration))).observe({
      entryTypes: ["longtask"],
    });
    const input = document.querySelector<HTMLInputElement>("input[name=temperature]");
    const strip = document.querySelector("[class*=strip-place] svg");
    if (!input || !strip) throw new Error("no air form or no strip");
    const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value");
    const line = () => strip.querySelectorAll("path")[3]?.getAttribute("d");
    const moved = (from: string | null | undefined) =>
      new Promise<void>((done) => {
        const look = new MutationObserver(() => {
          if (line() === from) return;
          look.disconnect();
          done();
        });
        look.observe(strip, { subtree: true, attributes: true, childList: true });
        setTimeout(done, 2000);
      });
    const times: number[] = [];
    for (let i = 0; i < 60; i += 1) {
      const seen = moved(line());
      const started = performance.now();
      value?.set?.call(input, String(10 + i / 2));
      input.dispatchEvent(new Event("input", { bubbles: true }));
      await seen;
      times.push(performance.now() - started);
      await new Promise((done) => requestAnimationFrame(done));
    }
    return { times, long };
  });
  console.log(
    `keystroke in the air to the new strip in the page, before it is painted: median ${quantile(result.times, 0.5).toFixed(0)} ms, p95 ${quantile(result.times, 0.95).toFixed(0)} ms (60 keys); tasks over 50 ms: ${result.long.length}`,
  );
}

/** Moves the main jet on paper, a step a time, and times each from the tap to the changed strip. */
async function trials(browser: Browser): Promise<void> {
  const page = await newPage(browser);
  await page.goto(`${RIG}/what-if`);
  await page.getByRole("table", { name: "Side by side" }).waitFor();
  await page.waitForTimeout(500);
  const times = await page.evaluate(async () => {
    const strip = document.querySelector("[class*=outcome] svg");
    const steps = ["down", "up"].map((way) =>
      document.querySelector<HTMLElement>(`[aria-label="Main ${way}"]`),
    );
    if (!strip) throw new Error("no strip of a trial");
    const line = () => strip.innerHTML;
    const took: number[] = [];
    for (let i = 0; i < 60; i += 1) {
      const before = line();
      const started = performance.now();
      steps[Math.floor(i / 15) % 2]?.click();
      while (line() === before && performance.now() - started < 2000)
        await new Promise((done) => requestAnimationFrame(done));
      took.push(performance.now() - started);
    }
    return took;
  });
  console.log(
    `a step in What if to the strip: median ${quantile(times, 0.5).toFixed(0)} ms, p95 ${quantile(times, 0.95).toFixed(0)} ms (60 steps)`,
  );
}

/** Walks through every screen and counts tasks over 50 ms after the first load. */
async function longTasks(browser: Browser): Promise<void> {
  const page = await newPage(browser);
  await page.goto(RIG);
  await page.getByRole("complementary").getByText("Main", { exact: true }).waitFor();
  await page.evaluate(() => {
    const store = window as unknown as { long: { place: string; ms: number }[] };
    store.long = [];
    new PerformanceObserver((list) =>
      list.getEntries().forEach((task) => store.long.push({ place: location.pathname, ms: task.duration })),
    ).observe({ entryTypes: ["longtask"] });
  });
  for (const place of ["Air", "Look", "Change", "Idle", "Sieve", "Ahead", "Log", "Rig", "Today"]) {
    await page
      .getByRole("navigation", { name: "The work" })
      .first()
      .getByRole("link", { name: new RegExp(`^${place}`) })
      .click();
    await page.waitForTimeout(700);
  }
  const long = await page.evaluate(
    () => (window as unknown as { long: { place: string; ms: number }[] }).long,
  );
  console.log(`walk through all screens: ${long.length} tasks over 50 ms ${JSON.stringify(long)}`);
}

const server = await serveBuild(PORT);
const browser = await chromium.launch(LAUNCH);
try {
  await coldStart(browser);
  await keystrokes(browser);
  await trials(browser);
  await longTasks(browser);
} finally {
  await browser.close();
  server.kill();
}

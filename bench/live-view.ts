/**
 * Ten minutes of live gauges at twenty samples a second: does memory grow, is any task over 50 ms?
 * `npm run build:demo`, then `npm run bench:live` (or with another number of minutes). Asserts nothing.
 */
import { chromium, type CDPSession } from "@playwright/test";
import { LAUNCH, serveBuild } from "../e2e/browser.ts";

const PORT = 4495;
const MINUTES = Number(process.argv[2] ?? 10);
const WARM_UP_S = 30;

async function heapMB(session: CDPSession): Promise<number> {
  await session.send("HeapProfiler.collectGarbage");
  const { usedSize } = await session.send("Runtime.getHeapUsage");
  return usedSize / 1024 / 1024;
}

const server = await serveBuild(PORT);
const browser = await chromium.launch(LAUNCH);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`http://localhost:${PORT}/rigs/rig:demo-twin/balance`);
await page.getByRole("button", { name: /^Simulated/ }).click();
await page.getByRole("img", { name: /Vacuum of each carburettor/ }).waitFor();
await page.waitForTimeout(WARM_UP_S * 1000);
await page.evaluate(() => {
  const tasks: number[] = [];
  Object.assign(globalThis, { longTasks: tasks });
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) tasks.push(duration);
  }).observe({ type: "longtask" });
});
const session = await page.context().newCDPSession(page);
const before = await heapMB(session);
for (let minute = 1; minute <= MINUTES; minute += 1) {
  await page.waitForTimeout(60_000);
  console.log(`after ${minute} min: ${(await heapMB(session)).toFixed(2)} MB`);
}
const after = await heapMB(session);
const tasks = await page.evaluate(() => (globalThis as unknown as { longTasks: number[] }).longTasks);
console.log(`heap ${before.toFixed(2)} MB -> ${after.toFixed(2)} MB over ${MINUTES} min`);
console.log(
  `tasks over 50 ms: ${tasks.length}${tasks.length > 0 ? `, longest ${Math.max(...tasks).toFixed(0)} ms` : ""}`,
);
await browser.close();
server.kill();

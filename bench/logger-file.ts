/**
 * A logger's file of a million rows and eight columns through the screen: how long the worker takes, is any task of
 * the main thread over 50 ms, does the memory come back? `npm run build:demo`, then `npm run bench:logger` (or with
 * another number of rows). Asserts nothing.
 */
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { frameOf } from "../core/belief/frame.ts";
import { seededRandom } from "../core/numbers/random.ts";
import { ride } from "../core/simulator/ride.ts";
import { drawEngine } from "../core/simulator/hidden-engine.ts";
import { ENDURO_BUILD } from "../demo/enduro-build.ts";
import { LAUNCH, serveBuild } from "../e2e/browser.ts";

const PORT = 4496;
const ROWS = Number(process.argv[2] ?? 1_000_000);
const RATE_HZ = 200;

function writeRows(path: string): void {
  const random = seededRandom(2026);
  const frame = frameOf(ENDURO_BUILD);
  const options = { seconds: ROWS / RATE_HZ, rateHz: RATE_HZ, delayS: 0.26 };
  const { setting } = ENDURO_BUILD.baseline;
  const lines = [
    "Time [s],Throttle [%],Engine [rpm],Lambda,Speed [km/h],Exhaust gas [°C],Head [°C],Battery [V]",
  ];
  for (const r of ride(drawEngine(frame, random), ENDURO_BUILD, setting, frame.air, options, random))
    lines.push(
      `${r.timeS.toFixed(3)},${(100 * r.throttle).toFixed(1)},${r.rpm.toFixed(0)},${r.lambda.toFixed(3)},${(3.6 * r.speedMs).toFixed(1)},${(r.exhaustK - 273.15).toFixed(0)},${(r.headK - 273.15).toFixed(0)},13.${Math.floor(10 * random.uniform())}`,
    );
  writeFileSync(path, lines.join("\n"));
}

const folder = mkdtempSync(join(tmpdir(), "logger-"));
const path = join(folder, "long-ride.csv");
writeRows(path);
const server = await serveBuild(PORT);
const browser = await chromium.launch(LAUNCH);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const processes = await browser.newBrowserCDPSession();

/** Resident memory of all pages, MB. */
async function residentMB(): Promise<number> {
  const { processInfo } = await processes.send("SystemInfo.getProcessInfo");
  const kilobytes = processInfo
    .filter(({ type }) => type === "renderer")
    .map(({ id }) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${id}/status`, "utf8"))?.[1] ?? 0));
  return kilobytes.reduce((sum, kB) => sum + kB, 0) / 1024;
}

await page.goto(`http://localhost:${PORT}/rigs/rig:demo-enduro/logger`);
await page.getByRole("heading", { name: "A logger’s file" }).waitFor();
await page.waitForTimeout(3000);
await page.evaluate(() => {
  const tasks: number[] = [];
  Object.assign(globalThis, { longTasks: tasks });
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) tasks.push(duration);
  }).observe({ type: "longtask" });
});
const before = await residentMB();
await page.getByLabel("Logger’s file").setInputFiles(path);
const read = page.getByRole("button", { name: "Read the file" });
await read.waitFor();
const began = performance.now();
await read.click();
let most = before;
const watching = setInterval(() => {
  void residentMB().then((now) => (most = Math.max(most, now)));
}, 200);
await page.getByRole("heading", { name: "Make it count" }).waitFor({ timeout: 120_000 });
const seconds = (performance.now() - began) / 1000;
clearInterval(watching);
console.log(
  `${ROWS} rows, 8 columns, ${(statSync(path).size / 1e6).toFixed(0)} MB: ${seconds.toFixed(2)} s from tap to result`,
);
await page.waitForTimeout(10_000);
const session = await page.context().newCDPSession(page);
await session.send("HeapProfiler.collectGarbage");
await page.waitForTimeout(1000);
const after = await residentMB();
const tasks = await page.evaluate(() => (globalThis as unknown as { longTasks: number[] }).longTasks);
console.log(
  `memory of the page: ${before.toFixed(0)} MB, at most ${most.toFixed(0)} MB, after ${after.toFixed(0)} MB`,
);
console.log(
  `tasks over 50 ms: ${tasks.length}${tasks.length > 0 ? `, longest ${Math.max(...tasks).toFixed(0)} ms` : ""}`,
);
await browser.close();
server.kill();
rmSync(folder, { recursive: true });

/**
 * The book as files, and what is asked of a large one: `npm run build:demo`, then `npm run bench:files`. Prints what it
 * measured; asserts nothing.
 */
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { BlobReader, BlobWriter, TextReader, ZipWriter } from "@zip.js/zip.js/lib/zip-core-native.js";
import { LOG_VERSION, type Entry } from "#core/log/schema.ts";
import { photoPath, rigPath } from "#app/store/book-file/names.ts";
import { LAUNCH, serveBuild } from "../e2e/browser.ts";
import { season } from "./season.ts";

const PORT = 4498;
const ORIGIN = `http://localhost:${PORT}`;
const BIG = { id: "rig:bench-big", name: "A ten years’ book", plate: "0" };
const PHOTOS = { id: "rig:bench-photos", name: "Photos", plate: "1" };
/** As a phone's picture is after it was scaled down. */
const PHOTO_BYTES = 300_000;

const entries = season(10_000, 20, "", 2010);
const logText = (header: object, all: readonly Entry[]) =>
  JSON.stringify({
    format: "tamis",
    version: LOG_VERSION,
    savedAt: "2026-01-01T00:00:00Z",
    rigs: [{ header, entries: all }],
  });
const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
const told = (what: string, times: readonly number[]) =>
  console.log(
    `${what}: median ${median(times).toFixed(0)} ms, worst ${Math.max(...times).toFixed(0)} ms (${times.length} runs)`,
  );

/** Twelve a step, as many steps as it takes. */
function withPhotos(count: number): Entry[] {
  const [first] = entries;
  if (!first) throw new Error("a season has entries");
  const steps = Array.from({ length: Math.ceil(count / 12) }, (_, n): Entry => ({
    id: `teardown:step-${n}`,
    at: `2025-06-01T${String(8 + Math.floor(n / 60)).padStart(2, "0")}:${String(n % 60).padStart(2, "0")}:00+02:00`,
    kind: "teardown",
    step: "mainJet",
    moved: "out",
    reads: "",
    torque: "",
    note: "",
    photos: Array.from({ length: Math.min(12, count - 12 * n) }, (_photo, i) => ({
      id: `photo:${n}-${i}-long`,
      widthPx: 1280,
      heightPx: 960,
    })),
  }));
  return [first, ...steps];
}

async function zipOf(count: number): Promise<Buffer> {
  const all = withPhotos(count);
  const zip = new ZipWriter(new BlobWriter("application/zip"), { useWebWorkers: false });
  await zip.add(rigPath(PHOTOS), new TextReader(logText(PHOTOS, all)));
  for (const entry of all)
    if (entry.kind === "teardown")
      for (const { id } of entry.photos) {
        const bytes = Uint8Array.from(
          { length: PHOTO_BYTES },
          (_, i) => [0xff, 0xd8, 0xff][i] ?? (i * 2654435761) >>> 24,
        );
        await zip.add(photoPath(PHOTOS.id, id), new BlobReader(new Blob([bytes])), { level: 0 });
      }
  return Buffer.from(await (await zip.close()).arrayBuffer());
}

/** Where a file lies that is too large to be handed over by itself. */
function written(name: string, content: Buffer): string {
  const path = join(mkdtempSync(join(tmpdir(), "tamis-bench-")), name);
  writeFileSync(path, content);
  return path;
}

async function bringIn(page: Page, name: string, buffer: Buffer): Promise<{ look: number; bring: number }> {
  await page.goto(`${ORIGIN}/data`);
  const chosen = performance.now();
  await page.getByLabel("File to import").setInputFiles(written(name, buffer));
  const bring = page.getByRole("button", { name: "Import", exact: true });
  await bring.waitFor({ timeout: 120_000 });
  const seen = performance.now();
  await bring.click();
  await page.getByText(/^Imported \d+ entries/).waitFor({ timeout: 120_000 });
  return { look: seen - chosen, bring: performance.now() - seen };
}

async function exportOf(page: Page, name: string): Promise<number> {
  await page.goto(`${ORIGIN}/data`);
  const button = page.getByRole("group", { name, exact: true }).getByRole("button", { name: "Export log" });
  await button.waitFor();
  const download = page.waitForEvent("download", { timeout: 120_000 });
  const started = performance.now();
  await button.click();
  await download;
  return performance.now() - started;
}

/** Of every process that the browser has started, in megabytes: what the device has to give. */
function browserMegabytes(): number {
  let pages = 0;
  for (const pid of readdirSync("/proc")) {
    if (!/^\d+$/.test(pid)) continue;
    try {
      if (!/chrom/.test(readFileSync(`/proc/${pid}/comm`, "utf8"))) continue;
      // Its own, without what processes share.
      const [, resident = 0, shared = 0] = readFileSync(`/proc/${pid}/statm`, "utf8").split(" ").map(Number);
      pages += resident - shared;
    } catch {
      // It has ended in between.
    }
  }
  return (pages * 4096) / 1e6;
}

const server = await serveBuild(PORT);
process.on("exit", () => server.kill());
const browser = await chromium.launch(LAUNCH);
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
const big = await bringIn(page, "big.json", Buffer.from(logText(BIG, entries)));
console.log(
  `10 000 entries: looked at in ${big.look.toFixed(0)} ms, brought in in ${big.bring.toFixed(0)} ms`,
);
const exports: number[] = [];
for (let i = 0; i < 5; i += 1) exports.push(await exportOf(page, BIG.name));
told("export of 10 000 entries", exports);

const zip200 = await zipOf(200);
const photos = await bringIn(page, "photos.zip", zip200);
console.log(
  `200 photos (${(zip200.length / 1e6).toFixed(0)} MB): looked at in ${photos.look.toFixed(0)} ms, brought in in ${photos.bring.toFixed(0)} ms`,
);

await page.goto(`${ORIGIN}/find`);
await page.getByLabel("Search").fill("nothing yet");
await page.getByText("Nothing found.").waitFor({ timeout: 60_000 });
const searches: number[] = [];
for (let i = 0; i < 9; i += 1) {
  const started = performance.now();
  await page.getByLabel("Search").fill(`main ${i}`);
  await page.getByText(/(\d+ entries|One entry|Nothing) found\./).waitFor();
  await page.evaluate(() => new Promise(requestAnimationFrame));
  searches.push(performance.now() - started);
}
told("a search in all logs, with the test's own way there and back", searches);

await page.goto(`${ORIGIN}/rigs/${BIG.id}/compare`);
await page.getByRole("table").first().waitFor({ timeout: 60_000 });
const compares: number[] = [];
for (let i = 2; i < 9; i += 1) {
  const first = page.getByLabel("First day");
  const name =
    (await first
      .locator("option")
      .nth(i * 7)
      .textContent()) ?? "";
  const started = performance.now();
  await first.selectOption({ label: name });
  await page.getByRole("region", { name, exact: true }).waitFor({ timeout: 60_000 });
  compares.push(performance.now() - started);
}
told("two days side by side", compares);

const before = browserMegabytes();
let peak = before;
const watch = setInterval(() => {
  peak = Math.max(peak, browserMegabytes());
}, 50);
await page.goto(`${ORIGIN}/data`);
await page
  .getByRole("group", { name: PHOTOS.name, exact: true })
  .getByRole("button", { name: "Delete" })
  .click();
await page.getByRole("button", { name: "Delete it" }).click();
await page.getByRole("group", { name: PHOTOS.name, exact: true }).waitFor({ state: "detached" });
const zip1000 = await zipOf(1000);
console.log(
  `1000 photos (${(zip1000.length / 1e6).toFixed(0)} MB), the browser at ${before.toFixed(0)} MB before`,
);
const many = await bringIn(page, "photos-1000.zip", zip1000);
console.log(
  `looked at in ${many.look.toFixed(0)} ms, brought in in ${many.bring.toFixed(0)} ms, at most ${peak.toFixed(0)} MB`,
);
peak = browserMegabytes();
console.log(
  `exported in ${(await exportOf(page, PHOTOS.name)).toFixed(0)} ms, at most ${peak.toFixed(0)} MB`,
);
clearInterval(watch);
await browser.close();
process.exit();

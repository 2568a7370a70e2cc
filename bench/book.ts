/**
 * A book of ten years in the browser: `npm run build:demo`, then `npm run bench:book`. 10 000 entries in one rig and 30 more
 * rigs beside it; and an import of 100 000. Prints what it measured; asserts nothing.
 */
import { chromium, type Page } from "@playwright/test";
import type { Entry } from "#core/log/schema.ts";
import { FITS, LAUNCH, serveBuild } from "../e2e/browser.ts";
import { season } from "./season.ts";

const PORT = 4497;
const ORIGIN = `http://localhost:${PORT}`;
/** Ten years and more before today: nothing of it lies in the future. */
const FIRST_YEAR = 2010;
const BIG = "rig:bench-big";

interface BenchRig {
  readonly header: { readonly id: string; readonly name: string; readonly plate: string };
  readonly entries: readonly Entry[];
}
const rig = (id: string, name: string, count: number, tail: string): BenchRig => ({
  header: { id, name, plate: tail === "" ? "0" : tail },
  entries: season(count, 20, tail, FIRST_YEAR),
});
const fileOf = (rigs: readonly BenchRig[]) => ({
  name: "book.json",
  mimeType: "application/json",
  buffer: Buffer.from(JSON.stringify({ format: "tamis", version: 4, savedAt: "2026-01-01T00:00:00Z", rigs })),
});

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

const spread = (times: readonly number[]): string =>
  `median ${median(times).toFixed(0)} ms, worst ${Math.max(...times).toFixed(0)} ms (${times.length} runs)`;

async function timed(runs: number, work: () => Promise<unknown>): Promise<string> {
  const times: number[] = [];
  for (let i = 0; i < runs; i += 1) {
    const started = performance.now();
    await work();
    times.push(performance.now() - started);
  }
  return spread(times);
}

async function importInto(page: Page, rigs: readonly BenchRig[]): Promise<number> {
  await page.goto(`${ORIGIN}/data`);
  await page.getByLabel("File to import").setInputFiles(fileOf(rigs));
  const bring = page.getByRole("button", { name: "Import", exact: true });
  await bring.waitFor({ timeout: 120_000 });
  const started = performance.now();
  await bring.click();
  await page.getByText(/^Imported \d+ entries/).waitFor({ timeout: 120_000 });
  return performance.now() - started;
}

const server = await serveBuild(PORT);
const browser = await chromium.launch(LAUNCH);
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
const page = await context.newPage();
await page.goto(ORIGIN);
await page.evaluate(() => navigator.serviceWorker.ready);
const others = Array.from({ length: 30 }, (_, i) => rig(`rig:bench-${i}`, `Rig ${i}`, 200, `${i + 1}`));
const big = rig(BIG, "A ten years’ book", 10_000, "");
console.log(`import of 31 rigs, 16 000 entries: ${(await importInto(page, [big, ...others])).toFixed(0)} ms`);

const card = page.getByRole("complementary").getByText("Main", { exact: true });
const today = `${ORIGIN}/rigs/${BIG}`;
const started = performance.now();
await page.goto(today);
await card.waitFor({ timeout: 60_000 });
console.log(`Today, the first time after the import: ${(performance.now() - started).toFixed(0)} ms`);
await page.waitForTimeout(500);
/** From the address until the card stands and its frame is drawn, by the page's own clock. */
await page.addInitScript(`
  new MutationObserver((_, look) => {
    const card = document.querySelector('aside[aria-label="The card"]')?.textContent.includes("Main");
    if (!card && !document.querySelector('${FITS}')) return;
    look.disconnect();
    requestAnimationFrame(() => setTimeout(() => { window.cardAfter = performance.now(); }));
  }).observe(document, { subtree: true, childList: true, characterData: true });
`);
async function cold(address: string): Promise<string> {
  const times: number[] = [];
  for (let i = 0; i < 7; i += 1) {
    await page.goto(address);
    // What comes after the first screen is no part of the next one either.
    await page.waitForTimeout(3000);
    times.push(await page.evaluate<number>("window.cardAfter ?? NaN"));
  }
  return spread(times);
}
console.log(`Today cold, its card drawn: ${await cold(today)}`);
await page.goto(ORIGIN);
await page.getByRole("heading", { name: "Paddock" }).waitFor();
await page.waitForTimeout(4000);
console.log(`Paddock cold, its first card drawn: ${await cold(ORIGIN)}`);
await page.goto(today);
await card.waitFor();
const rail = page.getByRole("navigation").first();
/** From the tap on the rail until another heading stands and its frame is drawn, by the page's own clock. */
const OPENS = `(place) => new Promise((done) => {
  const heading = () => document.querySelector("main h1")?.textContent;
  const before = heading();
  const started = performance.now();
  const look = new MutationObserver(() => {
    if (heading() === undefined || heading() === before) return;
    look.disconnect();
    requestAnimationFrame(() => setTimeout(() => done(performance.now() - started)));
  });
  look.observe(document.body, { subtree: true, childList: true, characterData: true });
  [...document.querySelectorAll("nav a")].find(({ textContent }) => textContent.startsWith(place)).click();
})`;
const opened: number[] = [];
for (let i = 0; i < 10; i += 1)
  for (const place of ["Look", "Today"]) {
    opened.push(await page.evaluate<number>(`(${OPENS})("${place}")`));
    await page.waitForTimeout(400);
  }
console.log(`another screen, drawn: ${spread(opened)}`);
console.log(
  `the log: ${await timed(5, async () => {
    await rail.getByRole("link", { name: /^Log/ }).click();
    await page.getByRole("heading", { level: 1, name: "The log" }).waitFor();
    await page.getByRole("list", { name: "Entries" }).getByRole("listitem").first().waitFor();
    await rail.getByRole("link", { name: /^Today/ }).click();
    await page.getByRole("link", { name: /^Why/ }).first().waitFor();
  })}, there and back`,
);
await page.goto(`${today}/log`);
await page.getByRole("list", { name: "Entries" }).getByRole("listitem").first().waitFor();
const search = page.getByLabel("Search");
let words = 0;
console.log(
  `a search: ${await timed(7, async () => {
    words += 1;
    await search.fill(`nothing of the kind ${words}`);
    await page.getByText(`Nothing in the log matches “nothing of the kind ${words}”.`).waitFor();
  })}`,
);
await search.fill("");
/** From the tap to the line in the list, by the page's own clock: what looks for it from outside costs as much again. */
const SAVE = `(words) => new Promise((done) => {
  const list = document.querySelector("[aria-label=Entries]");
  const started = performance.now();
  const look = new MutationObserver(() => {
    if (!list.textContent.includes(words)) return;
    look.disconnect();
    done(performance.now() - started);
  });
  look.observe(list, { subtree: true, childList: true, characterData: true });
  [...document.querySelectorAll("button")].find(({ textContent }) => textContent === "Add note").click();
})`;
const saves: number[] = [];
for (let i = 1; i <= 9; i += 1) {
  await page.getByRole("textbox", { name: "Note" }).fill(`Bench note ${i}.`);
  saves.push(await page.evaluate<number>(`(${SAVE})("Bench note ${i}.")`));
  await page.waitForTimeout(1000);
}
console.log(`a save, a note in the log, from the tap to its line: ${spread(saves)}`);
const huge = rig("rig:bench-huge", "Huge", 100_000, "h");
console.log(`import of 100 000 entries: ${(await importInto(page, [huge])).toFixed(0)} ms`);
await browser.close();
server.kill();

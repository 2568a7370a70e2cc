/** Two tabs, a clock that is wrong, a worker that dies, another build under an open form, records that were spoilt. */
import { appendFileSync, cpSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import { typeAir } from "../e2e/app.ts";
import { serveBuild } from "../e2e/browser.ts";
import { importFile, ORIGIN, OWN, rigs, writeNote } from "./book.ts";

const WRITES = 200;

async function notesShown(page: Page, pattern: RegExp): Promise<string[]> {
  await page.goto(`${ORIGIN}/rigs/${OWN}/log`);
  await expect(page.getByRole("textbox", { name: "Note" })).toBeVisible();
  await page.evaluate(() => window.dispatchEvent(new Event("beforeprint")));
  return [...((await page.getByRole("main").textContent()) ?? "").matchAll(pattern)].map(([text]) => text);
}

test(`two tabs write ${WRITES} notes each into one rig: none is lost, none is there twice`, async ({
  page,
  context,
}) => {
  test.setTimeout(900_000);
  await importFile(page, rigs(1, 5));
  const other = await context.newPage();
  const write = async (tab: Page, name: string) => {
    await tab.goto(`${ORIGIN}/rigs/${OWN}/log`);
    for (let n = 0; n < WRITES; n += 1) {
      const text = `${name} ${n}.`;
      await writeNote(tab, text);
      await tab.getByText(text, { exact: true }).waitFor();
    }
  };
  await Promise.all([write(page, "Left"), write(other, "Right")]);
  const shown = await notesShown(page, /(Left|Right) \d+\./g);
  console.log(`${shown.length} of ${2 * WRITES} there, ${new Set(shown).size} of them different`);
  expect(shown).toHaveLength(2 * WRITES);
  expect(new Set(shown).size).toBe(2 * WRITES);
});

test("a clock set back and ahead loses nothing, and what lies ahead is questioned", async ({
  page,
  context,
}) => {
  await importFile(page, rigs(1, 5));
  for (const [when, text] of [
    ["2019-01-01T10:00:00Z", "By a clock far back."],
    ["2031-01-01T10:00:00Z", "By a clock far ahead."],
    ["2026-11-20T10:00:00Z", "By the right clock again."],
  ] as const) {
    await context.clock.setSystemTime(new Date(when));
    await page.goto(`${ORIGIN}/rigs/${OWN}/log`);
    await writeNote(page, text);
    await expect(page.getByText(text)).toBeVisible();
    await page.goto(`${ORIGIN}/rigs/${OWN}`);
    await expect(page.getByRole("heading", { level: 1 }).first()).toBeVisible();
    await expect(page.getByText(/could not be worked out/)).toHaveCount(0);
  }
  expect(
    await notesShown(page, /By (a clock far back|a clock far ahead|the right clock again)\./g),
  ).toHaveLength(3);
});

for (const [how, end] of [
  ["falls silent", "self.close()"],
  ["breaks", "setTimeout(() => { throw new Error('broken on purpose'); })"],
] as const)
  test(`the judge ${how} in the middle of a call: it is said or made good, and what was typed is kept`, async ({
    page,
  }) => {
    test.setTimeout(180_000);
    await importFile(page, rigs(1, 5));
    await page.goto(`${ORIGIN}/rigs/${OWN}/air`);
    await page.getByLabel("Temperature").fill("20");
    await expect.poll(() => page.workers().length).toBeGreaterThan(0);
    for (const worker of page.workers()) await worker.evaluate(end).catch(() => undefined);
    await typeAir(page, { temperature: "24", humidity: "46", pressure: "863" });
    await expect(page.getByLabel("Temperature")).toHaveValue("24");
    await page.getByRole("button", { name: "Save this air" }).click();
    await expect(
      page
        .getByText(/24\.0 °C · 863 hPa · 46 %/)
        .filter({ visible: true })
        .first(),
    ).toBeVisible({ timeout: 60_000 });
    // The next question starts another one.
    await page.goto(`${ORIGIN}/rigs/${OWN}`);
    await expect(page.getByRole("complementary").getByText("Main", { exact: true })).toBeVisible({
      timeout: 60_000,
    });
  });

test.describe("another build under an open form", () => {
  test.use({ serviceWorkers: "allow" });
  test("what is typed stays until the tuner loads it", async ({ page }, info) => {
    const folder = info.outputPath("client");
    cpSync("build/client", folder, { recursive: true });
    const port = 4495;
    const server = await serveBuild(port, folder);
    try {
      const origin = `http://localhost:${port}`;
      await importFile(page, rigs(1, 5), origin);
      await page.evaluate(() => navigator.serviceWorker.ready);
      await page.goto(`${origin}/rigs/${OWN}/log`);
      await page.getByRole("textbox", { name: "Note" }).fill("Half a sentence");
      appendFileSync(`${folder}/sw.js`, "\n// another build\n");
      await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
      await expect(page.getByText("A new Tamis is ready.")).toBeVisible();
      await expect(page.getByRole("textbox", { name: "Note" })).toHaveValue("Half a sentence");
      await page.getByRole("button", { name: "Add note" }).click();
      await expect(page.getByText("Half a sentence", { exact: true })).toBeVisible();
      await page.getByRole("button", { name: "Load it" }).click();
      await expect(page.getByText("A new Tamis is ready.")).toBeHidden();
      await expect(page.getByText("Half a sentence", { exact: true })).toBeVisible();
    } finally {
      server.kill();
    }
  });
});

test("a record spoilt in each store: it is said, nothing else is lost, and an export carries the rest", async ({
  page,
}) => {
  test.setTimeout(600_000);
  await importFile(page, rigs(2, 5));
  await page.goto(`${ORIGIN}/rigs/rig:own-0002`);
  await expect(page.getByRole("complementary").getByText("Main", { exact: true })).toBeVisible();
  const stored = () =>
    page.evaluate(
      () =>
        new Promise<[string, unknown][]>((resolve) => {
          indexedDB.open("tamis").onsuccess = function () {
            const store = this.result.transaction("log").objectStore("log");
            const [keys, values] = [store.getAllKeys(), store.getAll()];
            store.transaction.oncomplete = () => {
              this.result.close();
              resolve(keys.result.map((key, i) => [key as string, values.result[i]]));
            };
          };
        }),
    );
  const put = (entries: readonly [string, unknown][]) =>
    page.evaluate(
      (all) =>
        new Promise<void>((resolve) => {
          indexedDB.open("tamis").onsuccess = function () {
            const store = this.result.transaction("log", "readwrite").objectStore("log");
            store.clear();
            for (const [key, value] of all) store.put(value, key);
            store.transaction.oncomplete = () => {
              this.result.close();
              resolve();
            };
          };
        }),
      entries as [string, unknown][],
    );
  const good = await stored();
  const kindOf = (key: string) => key.replace(/^rig:[^/]+/, "rig").replace(/day\/.*/, "day");
  // One of each kind: of the second rig where it has one.
  const kinds = new Map(good.map(([key]) => [kindOf(key), key]));
  for (const [key] of good) if (key.startsWith("rig:own-0002")) kinds.set(kindOf(key), key);
  const said: string[] = [];
  for (const [kind, key] of kinds)
    for (const rubbish of [7, { version: 999 }]) {
      await put(good.map(([name, value]) => [name, name === key ? rubbish : value]));
      await page.goto(`${ORIGIN}/`);
      await expect(page.getByText("Own 1", { exact: true })).toBeVisible();
      await page.goto(`${ORIGIN}/rigs/rig:own-0001/log`);
      await expect(page.getByText("Day 4.")).toBeVisible();
      await page.goto(`${ORIGIN}/data`);
      const download = page.waitForEvent("download");
      await page.getByRole("button", { name: "Export all rigs" }).click();
      await download;
      const trouble = await page.getByRole("alert").allTextContents();
      if (["rig/header", "rig/index", "rig/day"].includes(kind))
        expect(trouble.join(" ")).toContain("rig:own-0002");
      said.push(`${kind}: ${trouble.length === 0 ? "begun anew" : trouble.join(" ").slice(0, 90)}`);
    }
  console.log(said.join("\n"));
});

/** A storage that opens and takes nothing, and one whose kept advice has become something else. */
import { expect, test, type Page } from "@playwright/test";
import { importFile, ORIGIN, OWN, rigs, writeNote } from "./book.ts";

/** As on a disk that is full to the last byte, or a profile that may only be read. */
function onlyRead(): void {
  if (localStorage.getItem("test-storage") !== "read only") return;
  const real = Object.getOwnPropertyDescriptor(IDBDatabase.prototype, "transaction")?.value as (
    this: IDBDatabase,
    ...asked: Parameters<IDBDatabase["transaction"]>
  ) => IDBTransaction;
  Object.defineProperty(IDBDatabase.prototype, "transaction", {
    value(this: IDBDatabase, ...asked: Parameters<IDBDatabase["transaction"]>) {
      if (asked[1] === "readwrite")
        throw new DOMException("A mutation operation was attempted on a database that does not allow it.");
      return real.apply(this, asked);
    },
  });
}

test("a storage that only reads shows every rig, refuses in words, and keeps what was typed on the screen", async ({
  page,
}) => {
  test.setTimeout(120_000);
  await page.addInitScript(onlyRead);
  await importFile(page, rigs(1, 5));
  await page.evaluate(() => localStorage.setItem("test-storage", "read only"));
  await page.goto(`${ORIGIN}/rigs/${OWN}/log`);
  await writeNote(page, "Typed for nothing?");
  await expect(page.getByText(/^Not saved: this browser does not let Tamis keep data/)).toBeVisible();
  await expect(page.getByRole("textbox", { name: "Note" })).toHaveValue("Typed for nothing?");
  await page.evaluate(() => localStorage.setItem("test-storage", "opens"));
  await page.getByRole("button", { name: "Add note" }).click();
  await page.goto(`${ORIGIN}/rigs/${OWN}/log`);
  await writeNote(page, "Typed for nothing?");
  await expect(page.getByText("Typed for nothing?")).toBeVisible();
});

/** Every kept advice becomes something else, its stamp as it was. */
const spoilAdvice = (page: Page, change: object): Promise<number> =>
  page.evaluate(
    (to) =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open("tamis");
        opening.onerror = () => reject(new Error("no database"));
        opening.onsuccess = () => {
          const store = opening.result.transaction("log", "readwrite").objectStore("log");
          const keys = store.getAllKeys();
          keys.onsuccess = () => {
            const kept = keys.result.filter((key) => typeof key === "string" && key.endsWith("/advice"));
            for (const key of kept) {
              const reading = store.get(key);
              reading.onsuccess = () => store.put({ ...(reading.result as object), ...to }, key);
            }
            store.transaction.oncomplete = () => {
              opening.result.close();
              resolve(kept.length);
            };
          };
        };
      }),
    change,
  );

for (const [name, change] of [
  ["empty", { advice: {} }],
  ["without its card", { advice: { card: null } }],
  ["of another shape", { advice: { card: { rows: 7 }, next: null, strip: "x" }, held: 3 }],
] as const)
  test(`kept advice that is ${name} is worked out again, and stops no other rig`, async ({ page }) => {
    test.setTimeout(120_000);
    await page.goto(ORIGIN);
    const cards = page.locator('[class*="_fits_"]:has(> div)');
    await expect.poll(() => cards.count(), { timeout: 30_000 }).toBeGreaterThan(1);
    const before = await cards.count();
    expect(await spoilAdvice(page, change)).toBeGreaterThan(0);
    await page.reload();
    await expect.poll(() => cards.count(), { timeout: 30_000 }).toBeGreaterThanOrEqual(before);
    await expect(page.getByText(/cannot be shown/)).toHaveCount(0);
  });

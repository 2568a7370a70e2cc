/** Wrong numbers, wrong files, a full device: clear words, nothing lost, nothing changed. */
import { writeFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { expect, test } from "./test.ts";
import { openRig, open, RIG, typeAir } from "./app.ts";

const storedText = async (page: Page): Promise<string> => {
  await page.goto("/data");
  await expect(page.getByRole("heading", { name: "Data" })).toBeVisible();
  return page.evaluate(
    () =>
      new Promise<string>((resolve, reject) => {
        const request = indexedDB.open("tamis");
        request.onerror = () => reject(new Error("no database"));
        request.onsuccess = () => {
          const all = request.result.transaction("log").objectStore("log").getAll();
          all.onsuccess = () => resolve(JSON.stringify(all.result));
        };
      }),
  );
};

test("air that cannot be is refused on its field, and what was typed stays", async ({ page }) => {
  await openRig(page, "/air");
  await typeAir(page, { temperature: "warm", humidity: "460", pressure: "86" });
  await page.getByRole("button", { name: "Save this air" }).click();
  await expect(page.getByText("Temperature is not a number.", { exact: true })).toBeVisible();
  await expect(page.getByText(/Humidity must be 0 to 100 %/)).toBeVisible();
  await expect(page.getByText(/Pressure must be 500 to 1100 hPa/)).toBeVisible();
  await expect(page.getByLabel("Temperature")).toHaveValue("warm");
  await expect(page).toHaveURL(/\/air$/);
});

test("sea-level pressure taken for the station's is caught, and converted on request", async ({ page }) => {
  await openRig(page, "/air");
  await typeAir(page, { temperature: "24", humidity: "46", pressure: "1018" });
  await page.getByRole("button", { name: "Save this air" }).click();
  await expect(page.getByText(/^At 1910 m a barometer shows about 808 hPa/)).toBeVisible();
  await page.getByRole("button", { name: "It is sea-level pressure: convert" }).click();
  await page.getByRole("button", { name: "Save this air" }).click();
  await expect(page).toHaveURL(new RegExp(`${RIG}$`));
  await expect(
    page
      .getByText(/1018 hPa at sea level, 1910 m/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible();
});

test("a look without a tone is asked for", async ({ page }) => {
  await openRig(page, "/look?zone=mid");
  await page.getByRole("button", { name: "Save this look" }).click();
  await expect(
    page.getByText("Choose the tone the porcelain has near its root.", { exact: true }),
  ).toBeVisible();
  await expect(page.getByText("Not saved: Choose the tone")).toBeVisible();
});

test("a change the machine cannot have is refused on its field", async ({ page }) => {
  await openRig(page, "/change");
  await page.getByRole("textbox", { name: "Clip" }).fill("9");
  await page.getByRole("button", { name: "It is fitted" }).click();
  await expect(page.getByRole("textbox", { name: "Clip" })).toHaveAccessibleDescription(
    /clip must be in 1..5, got 9/,
  );
  await expect(page.getByRole("textbox", { name: "Clip" })).toHaveValue("9");
});

const FILES: [string, () => string | Buffer, RegExp][] = [
  ["plugs.txt", () => "plug: cocoa", /not JSON/],
  ["map.json", () => '{"type":"map"}', /not a Tamis log/],
  ["newer.json", () => '{"format":"tamis","version":99,"rigs":[]}', /version 99; this Tamis reads up to \d+/],
  ["nan.json", () => '{"format":"tamis","version":1,"rigs":[{"lambda":NaN}]}', /not JSON.*NaN/],
  [
    "proto.json",
    () => '{"format":"tamis","version":1,"__proto__":{"rigs":[]}}',
    /__proto__: a key of this name can do harm/,
  ],
  ["huge.json", () => Buffer.alloc(50 * 1024 * 1024, 32), /This file has 50 MB; a log has at most 48 MB/],
];
test("files that are no log are refused with their own words and change nothing", async ({ page }, info) => {
  await open(page, "/");
  await expect(page.getByRole("link", { name: /250 enduro/ })).toBeVisible();
  const before = await storedText(page);
  for (const [name, content, words] of FILES) {
    const path = info.outputPath(name);
    writeFileSync(path, content());
    await page.getByLabel("File to import").setInputFiles(path);
    await expect(page.getByRole("alert")).toContainText(words);
  }
  expect(await storedText(page)).toBe(before);
});

test("a device without room says so and keeps the form", async ({ page }) => {
  await openRig(page, "/air");
  await page.evaluate(() => {
    const full = () => {
      throw new DOMException("full", "QuotaExceededError");
    };
    IDBObjectStore.prototype.put = full;
  });
  await typeAir(page, { temperature: "24", humidity: "46", pressure: "863" });
  await page.getByRole("button", { name: "Save this air" }).click();
  await expect(page.getByRole("alert")).toContainText("no room left");
  await expect(page.getByLabel("Temperature")).toHaveValue("24");
});

test("a store that cannot be read says where and what to do", async ({ page }) => {
  await openRig(page);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const request = indexedDB.open("tamis");
        request.onsuccess = () => {
          const store = request.result.transaction("log", "readwrite").objectStore("log");
          const keys = store.getAllKeys();
          keys.onsuccess = () => {
            const day = keys.result.map(String).find((key) => key.includes("demo-enduro/day/"));
            store.put({ version: 1, revision: 3, entries: [7] }, day ?? "");
            store.transaction.oncomplete = () => resolve();
          };
        };
      }),
  );
  await page.reload();
  await expect(page.getByRole("alert")).toContainText(/cannot be read \(entries\[0\]/);
  await expect(page.getByRole("link", { name: "To the data" })).toBeVisible();
});

/** A browser that does not open its storage for one visit: nothing looks empty, nothing is typed for nothing, nothing is lost. */
import type { Page } from "@playwright/test";
import { open, openRig, RIG } from "./app.ts";
import { expect, test } from "./test.ts";

/** How the browser's storage answers from the next page on: as on a spoilt profile, or held by something else. */
const storage = (page: Page, how: "fails" | "hangs" | "opens"): Promise<void> =>
  page.evaluate((broken) => localStorage.setItem("test-storage", broken), how);

/** Run before the page's own scripts. */
function breakStorage(): void {
  const how = localStorage.getItem("test-storage") ?? "opens";
  if (how === "opens") return;
  Object.defineProperty(IDBFactory.prototype, "open", {
    value: () => {
      const words = "Internal error opening backing store for indexedDB.open.";
      const request = { error: new DOMException(words, "UnknownError") } as unknown as IDBOpenDBRequest;
      if (how === "fails") setTimeout(() => void request.onerror?.(new Event("error")), 0);
      return request;
    },
  });
}

test("a book that does not open for one visit says so before anybody types, and is there at the next", async ({
  page,
}) => {
  await page.addInitScript(breakStorage);
  await openRig(page, "/log");
  await page.getByRole("textbox", { name: "Note" }).fill("Written before it failed.");
  await page.getByRole("button", { name: "Add note" }).click();
  await expect(page.getByText("Written before it failed.")).toBeVisible();

  await storage(page, "fails");
  const closed = page.getByText(/^Tamis cannot open its book in this browser.*still in it.*Internal error/);
  await open(page, "/");
  await expect(closed).toBeVisible();
  await expect(page.getByRole("link", { name: /250 enduro|New rig|Set up/ })).toHaveCount(0);
  for (const path of ["/new", `${RIG}/log`, `${RIG}/look`]) {
    await open(page, path);
    await expect(closed).toBeVisible();
    await expect(page.getByRole("textbox")).toHaveCount(0);
  }
  await open(page, "/data");
  await expect(page.getByRole("heading", { level: 1, name: "Data" })).toBeVisible();
  await expect(closed).toBeVisible();
  await page.getByRole("button", { name: "Save raw data" }).click();
  await expect(closed).toHaveCount(2);
  expect(
    await page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith("tamis/"))),
  ).toEqual([]);

  await storage(page, "hangs");
  await open(page, "/");
  await expect(page.getByText(/has not opened it for five seconds/)).toBeVisible();

  await storage(page, "opens");
  await open(page, `${RIG}/log`);
  await expect(page.getByText("Written before it failed.")).toBeVisible();
});

/** One first visit, kept for all tests: the demo in the book, and what its cards say. */
import { chromium, expect } from "@playwright/test";
import { evening } from "./test.ts";
import { FIRST_VISIT, FITS, LAUNCH, PORT } from "./browser.ts";

export default async function firstVisit(): Promise<void> {
  const browser = await chromium.launch(LAUNCH);
  const context = await browser.newContext({ serviceWorkers: "block" });
  await context.clock.setSystemTime(evening());
  const page = await context.newPage();
  await page.goto(`http://localhost:${PORT}/`);
  await expect(page.locator(`${FITS}, a h2:text-is('Stop: the choke')`)).toHaveCount(5, {
    timeout: 90_000,
  });
  await context.storageState({ path: FIRST_VISIT, indexedDB: true });
  await browser.close();
}

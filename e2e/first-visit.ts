/** One first visit, kept for all tests: the demo in the book, and what its cards say. */
import { chromium, expect } from "@playwright/test";
import { evening, FIRST_VISIT_AT } from "./test.ts";
import { FIRST_VISIT, FITS, LAUNCH, PORT } from "./browser.ts";

/** A card is worked out once it comes into view. */
const TALL = { width: 1280, height: 2400 };

export default async function firstVisit(): Promise<void> {
  process.env[FIRST_VISIT_AT] = new Date().toISOString();
  const browser = await chromium.launch(LAUNCH);
  const context = await browser.newContext({ serviceWorkers: "block", viewport: TALL });
  await context.clock.setSystemTime(evening());
  const page = await context.newPage();
  let asked = 0;
  page.on("worker", () => (asked += 1));
  const allCards = async () => {
    asked = 0;
    await page.goto(`http://localhost:${PORT}/`);
    await expect(page.locator(`${FITS}, a h2:text-is('Stop: the choke')`)).toHaveCount(5, {
      timeout: 90_000,
    });
    return asked === 0;
  };
  // Until a visit asks the judge nothing: then all five are kept, and no test has them worked out anew.
  await expect(async () => expect(await allCards()).toBe(true)).toPass({ timeout: 240_000 });
  await context.storageState({ path: FIRST_VISIT, indexedDB: true });
  await browser.close();
}

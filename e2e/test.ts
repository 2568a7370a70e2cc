/** Every test is run in the evening of the demo's last day, whatever the time it is run at. */
import { expect, test as base, type Browser, type Page } from "@playwright/test";

/** When the first visit was made: a run past midnight stays on its day. */
export const FIRST_VISIT_AT = "E2E_FIRST_VISIT_AT";

/** The demo's story is over by then, and its air is one of the same day. */
export function evening(): Date {
  const day = new Date(process.env[FIRST_VISIT_AT] ?? Date.now());
  day.setHours(18, 0, 0, 0);
  return day;
}

/** A stopped server is no fault of the page's. */
const NO_FAULT = /Failed to load resource|net::ERR_/;

export const test = base.extend<{ mayBreak: boolean }>({
  /** whether the test itself breaks something: else an error that nobody sees fails it */
  mayBreak: [false, { option: true }],
  page: async ({ page, mayBreak }, use) => {
    const heard: string[] = [];
    page.on("pageerror", (error) => heard.push(error.message));
    page.on("console", (said) => {
      if (said.type() === "error" && !NO_FAULT.test(said.text())) heard.push(said.text());
    });
    await use(page);
    if (!mayBreak) expect(heard).toEqual([]);
  },
  context: async ({ context }, use) => {
    await context.clock.setSystemTime(evening());
    await use(context);
  },
});

/** @returns a page on another device at the same hour: a browser's context does not take the test's clock along */
export async function onAnotherDevice(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ serviceWorkers: "block" });
  await context.clock.setSystemTime(evening());
  return context.newPage();
}

export { expect } from "@playwright/test";

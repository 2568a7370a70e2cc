/** Every test is run in the evening of the demo's last day, whatever the time it is run at. */
import { test as base } from "@playwright/test";

/** The demo's story is over by then, and its air is one of the same day. */
export function evening(): Date {
  const now = new Date();
  now.setHours(18, 0, 0, 0);
  return now;
}

export const test = base.extend({
  context: async ({ context }, use) => {
    await context.clock.setSystemTime(evening());
    await use(context);
  },
});
export { expect } from "@playwright/test";

/** Every screen by night and in full sun: as readable as by day, whatever the light. */
import { expect, test } from "@playwright/test";
import { expectAccessible } from "../e2e/app.ts";
import { SCREENS } from "../e2e/screens.ts";

const LIGHTS = [
  ["by night", 0, "dark"],
  ["in full sun", 2, "light"],
] as const;

for (const [light, taps, scheme] of LIGHTS)
  test(`every screen ${light} is accessible`, async ({ page }) => {
    test.setTimeout(30_000 * SCREENS.length);
    await page.emulateMedia({ colorScheme: scheme });
    await page.goto("/");
    for (let tap = 0; tap < taps; tap += 1) await page.getByRole("button", { name: /^Light:/ }).click();
    const wrong: string[] = [];
    for (const { path, title } of SCREENS) {
      await page.goto(path);
      await expect(page.getByRole("heading", { level: 1 })).toHaveText(title);
      await expectAccessible(page, "page").catch((error: unknown) => {
        wrong.push(`${path}: ${String(error).slice(0, 400)}`);
      });
    }
    expect(wrong).toEqual([]);
  });

/** The map of places: every screen in at most three keys or taps, and a place that remembers its tab. */
import type { Page } from "@playwright/test";
import { evening, expect, test } from "./test.ts";
import { openRig, RIG, TWIN } from "./app.ts";

/** By the key of its place: the screens in their order, with what each is headed. */
const MAP: Readonly<Record<string, { name: string; screens: readonly (string | RegExp)[] }>> = {
  t: { name: "Today", screens: [/./] },
  a: { name: "Air", screens: ["The air where the engine breathes"] },
  w: { name: "Walk-round", screens: ["Walk-round"] },
  i: { name: "Idle", screens: ["The idle bench", "Idle speed and pump"] },
  l: {
    name: "Look",
    screens: [...Array<string>(7).fill("What did you see?"), "The stopwatch", "A logger’s file"],
  },
  c: { name: "Change", screens: ["What was fitted?", "Which part was swapped?", "What was done to it?"] },
  n: { name: "Cylinders", screens: [/than the rest/, "Vacuum balance"] },
  s: { name: "Sieve", screens: ["Why", "The sieve", "What if?", "Map of the mixture"] },
  d: { name: "Ahead", screens: [/day/i, /./, "Pack", "The season", "Places", "The chart"] },
  o: { name: "Log", screens: ["The log", "Days like today", "Two days side by side", "Find"] },
  r: {
    name: "Rig",
    screens: [
      "The rig",
      "What to measure next",
      "The jet box",
      "Parts on the bench",
      "Base sheet",
      "Teardown",
      "Ways of working",
      "Another like it",
    ],
  },
};

const heading = (page: Page) => page.getByRole("heading", { level: 1 });

test("the whole map by keyboard: g, the place, and a digit for its screen", async ({ page }) => {
  await page.goto(TWIN);
  await expect(heading(page)).toBeVisible();
  for (const [key, { name, screens }] of Object.entries(MAP))
    for (const [i, title] of screens.entries())
      await test.step(`g ${key} ${i + 1}`, async () => {
        await page.keyboard.press("g");
        await page.keyboard.press(key);
        if (screens.length > 1) await page.keyboard.press(String(i + 1));
        await expect(heading(page)).toHaveText(title);
        if (name === "Look" && i < 7)
          await expect(
            page.getByRole("group", { name: "Read from" }).getByRole("button").nth(i),
          ).toHaveAttribute("aria-pressed", "true");
        if (title !== "Find") return;
        // It looks through all rigs, and knows the way back.
        await page.getByRole("link", { name: /^Back to the log of/ }).click();
        await expect(heading(page)).toHaveText("The log");
      });
});

test("the whole map by a thumb: the bar, More, the tabs @phone", async ({ page }) => {
  await page.goto(TWIN);
  await expect(heading(page)).toBeVisible();
  const bar = page.getByRole("navigation", { name: "The work" });
  for (const { name, screens } of Object.values(MAP))
    for (const [i, title] of screens.entries())
      await test.step(`${name} ${i + 1}`, async () => {
        let taps = 0;
        const tap = async (what: ReturnType<Page["getByRole"]>) => {
          taps += 1;
          await what.click();
        };
        const place = bar.getByRole("link", { name: new RegExp(`^${name}`) }).filter({ visible: true });
        if ((await place.count()) === 0) await tap(bar.getByRole("button", { name: "More" }));
        await tap(
          page
            .getByRole("link", { name: new RegExp(`^${name}`) })
            .filter({ visible: true })
            .first(),
        );
        await expect(page.getByRole("dialog")).toHaveCount(0);
        const kinds = page.getByRole("group", { name: "Read from" }).getByRole("button");
        const tabs = page.getByRole("main").getByRole("navigation", { name }).getByRole("link");
        if (screens.length > 1) await tap((name === "Look" ? kinds : tabs).nth(i));
        await expect(heading(page)).toHaveText(title);
        expect(taps).toBeLessThanOrEqual(3);
        if (title === "Find") await page.getByRole("link", { name: /^Back to the log of/ }).click();
      });
});

test("a place remembers its tab within a visit, and old addresses lead on", async ({ page }) => {
  await openRig(page, "/pack");
  const rail = page.getByRole("navigation", { name: "The work" });
  await rail.getByRole("link", { name: "Air" }).click();
  await expect(heading(page)).toHaveText("The air where the engine breathes");
  await rail.getByRole("link", { name: "Ahead" }).click();
  await expect(heading(page)).toHaveText("Pack");
  // From within it leads to its first screen.
  await rail.getByRole("link", { name: "Ahead" }).click();
  await expect(heading(page)).toHaveText("The day");
  await page.goto(`${RIG}/needle`);
  await expect(heading(page)).toHaveText("The rig");
  await expect(page.getByRole("table", { name: /^What each groove does/ })).toBeVisible();
  await page.goto(`${RIG}/find`);
  await expect(heading(page)).toHaveText("Find");
  await page.goto("/data#demo");
  await expect(page.getByRole("heading", { name: "The demo" })).toBeVisible();
});

test("a walk-round that is due stands above the plan, and the first change waits for it or for a tap", async ({
  page,
  context,
}) => {
  await openRig(page);
  // The demo's own day was walked round: on the next one it is due.
  await context.clock.setSystemTime(evening().getTime() + 24 * 3600 * 1000);
  await page.reload();
  const main = page.getByRole("main");
  const due = main.getByRole("region", { name: "Walk-round" });
  await expect(due).toContainText("Not walked round yet: 13 checks, ten minutes.");
  await expect(main.getByRole("button", { name: /^All fitted|is fitted$/ })).toHaveCount(0);
  await page.keyboard.press("c");
  await expect(heading(page)).toHaveText("What was fitted?");
  await page.goBack();
  await due.getByRole("button", { name: "Not today" }).click();
  await expect(due).toHaveCount(0);
  await expect(main.getByRole("button", { name: /^All fitted/ })).toBeVisible();
  await page.reload();
  await expect(main.getByRole("button", { name: /^All fitted/ })).toBeVisible();
  await expect(due).toHaveCount(0);
});

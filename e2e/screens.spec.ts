/** Every screen: opens by its address, holds what it should, and is accessible by day and by night. */
import type { Page } from "@playwright/test";
import { SCREENS } from "./screens.ts";
import { expect, test } from "./test.ts";
import { cramped, expectAccessible, open, openRig, RIG, rigLine, openList } from "./app.ts";

const FORMS = ["look?zone=top", "look?how=ride", "change", "idle", "stopwatch", "build", "box"];

const LAPTOP = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
/** The narrowest there is, and a laptop's window of 1280 points at four times its size. */
const NARROWEST = { width: 320, height: 640 };

/** @returns what is wider than its place: the page, or the work that scrolls in it */
const overflows = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [document.documentElement, ...document.querySelectorAll("main")].flatMap((one) =>
      one.scrollWidth > one.clientWidth + 1 ? [`${one.tagName} ${one.scrollWidth} > ${one.clientWidth}`] : [],
    ),
  );

/** One visit for each group: the demo is loaded once, and each screen is opened by its address. */
const GROUPS = {
  "outside a rig": SCREENS.filter(({ path }) => !path.startsWith("/rigs")),
  "of the rig and its walk-round": SCREENS.filter(({ path }) =>
    /measure|box|parts|swap|base|work|schools|like|teardown|walk|build/i.test(path),
  ),
  "of the day": SCREENS.filter(({ path }) =>
    /enduro$|atv$|air|idle|twin|look|stopwatch|logger|change|sieve|what-if|map|why|log/.test(path),
  ),
  "of days to come": SCREENS.filter(({ path }) =>
    /\/(days?|compare|then|route|pack|season|chart|places)(\?|$)/.test(path),
  ),
};

for (const [group, screens] of Object.entries(GROUPS))
  test(`the screens ${group} open by their address, are accessible, and fit a phone`, async ({ page }) => {
    test.setTimeout(30_000 * screens.length);
    for (const { path, title } of screens)
      await test.step(path, async () => {
        await page.setViewportSize(LAPTOP);
        await page.goto(path);
        await expect(page.getByRole("heading", { level: 1 })).toHaveText(title);
        const inRig = path.startsWith("/rigs");
        if (inRig) await expect(page.getByText("SIMULATED").filter({ visible: true }).first()).toBeVisible();
        await expectAccessible(page, path === RIG || !inRig ? "page" : "screen");
        await page.setViewportSize(PHONE);
        if (inRig) await expect(page.getByText("SIMULATED").filter({ visible: true }).first()).toBeVisible();
        // Until its own narrow face has come, the text is wider.
        await page.evaluate(() => document.fonts.ready);
        await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBe(PHONE.width);
        // A list that is measured anew settles first.
        await expect.poll(() => cramped(page)).toEqual([]);
        await page.setViewportSize(NARROWEST);
        await expect.poll(() => overflows(page)).toEqual([]);
      });
  });

test("every screen stands in a group", () => {
  const grouped = new Set(Object.values(GROUPS).flat());
  expect(SCREENS.filter((screen) => !grouped.has(screen))).toEqual([]);
});

test("by night the same roles hold, and the choice is kept", async ({ page }) => {
  await page.emulateMedia({ colorScheme: "dark" });
  await openRig(page);
  const paper = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  expect(await paper()).toBe("rgb(21, 20, 16)");
  await expectAccessible(page, "page");
  await page.goto("/");
  await page.getByRole("button", { name: /^Light:/ }).click();
  await page.reload();
  await expect(page.getByRole("heading", { name: "Paddock" })).toBeVisible();
  expect(await paper()).toBe("rgb(247, 243, 234)");
  // One more, and it is made for full sun.
  await page.getByRole("button", { name: "Light: day. Change to full sun" }).click();
  await openRig(page);
  expect(await paper()).toBe("rgb(255, 255, 255)");
  await expectAccessible(page, "page");
  // Chosen on one part of the page it holds for all of them: evening comes, and the sun stays chosen.
  await page.emulateMedia({ colorScheme: "light" });
  await page.getByRole("button", { name: "Light: full sun. Change to night" }).click();
  expect(await paper()).toBe("rgb(21, 20, 16)");
  await page.emulateMedia({ colorScheme: "dark" });
  await page.emulateMedia({ colorScheme: "light" });
  expect(await paper()).toBe("rgb(21, 20, 16)");
});

test.describe("where the connection breaks off after the card", () => {
  // What did not come is told of in the console too.
  test.use({ mayBreak: true });

  test("a part that did not come says so, and is asked for again", async ({ page }) => {
    const keys = /\/KeyList-[^/]*\.js$/;
    await page.route(keys, (route) => route.abort());
    await page.goto(RIG);
    const card = page.getByRole("complementary", { name: "The card" });
    await expect(card.getByText("Main", { exact: true })).toBeVisible();
    await page.keyboard.press("?");
    await expect(page.getByRole("alert")).toContainText("A part of this screen did not load");
    await page.unroute(keys);
    await page.getByRole("button", { name: "Try again" }).click();
    await expect(card.getByRole("button", { name: "Print card" })).toBeVisible();
    await page.keyboard.press("?");
    await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  });
});

test("an unknown page and an unknown rig say so and show the way on", async ({ page }) => {
  await page.goto("/nowhere");
  await expect(page.getByRole("alert")).toContainText("no such page");
  await page.goto("/rigs/rig:none");
  await expect(page.getByRole("alert")).toContainText('There is no rig "rig:none"');
  await page.getByRole("link", { name: "To the paddock" }).click();
  await expect(page.getByRole("heading", { name: "Paddock" })).toBeVisible();
});

test("the demo is wiped and brought back, and an empty paddock offers both ways to begin", async ({
  page,
}) => {
  await open(page, "/data/rigs");
  await rigLine(page).getByRole("button", { name: "Delete" }).click();
  await page.getByRole("button", { name: "Delete it" }).click();
  await expect(rigLine(page)).toHaveCount(0);
  await page.goto("/");
  await page.getByRole("link", { name: "Wipe the demo" }).click();
  await page.getByRole("button", { name: "Wipe the demo" }).click();
  await page.getByRole("button", { name: "Wipe them" }).click();
  await expect(page.getByText("There is no rig in this browser yet.")).toBeVisible();
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "The paddock is empty" })).toBeVisible();
  await expect(page.getByRole("link", { name: "Set up my rig" })).toBeVisible();
  await page.getByRole("button", { name: "Load the demo" }).click();
  await expect(page.getByRole("link", { name: /250 enduro/ })).toBeVisible();
});

test("what was logged on the wrong rig is moved to the right one", async ({ page }) => {
  await openRig(page, "/log");
  await page.getByLabel("Note").fill("Kart: pinged once at the hairpin.");
  await page.getByRole("button", { name: "Add note" }).click();
  await expect(page.getByRole("list", { name: "Entries" }).getByText("pinged once")).toBeVisible();
  await page.getByRole("button", { name: "That was the wrong rig" }).click();
  const dialog = page.getByRole("dialog", { name: "That was the wrong rig" });
  await expect(dialog.getByRole("checkbox").first()).toBeChecked();
  await page.getByRole("button", { name: "Move it" }).click();
  await expect(page.getByText("One entry moved to 125 kart.")).toBeVisible();
  await expect(page.getByText("It was meant for 125 kart").first()).toBeVisible();
  await page.goto("/rigs/rig:demo-kart/log");
  await expect(page.getByText("Kart: pinged once at the hairpin.")).toBeVisible();
});

test("why lists every look with what it weighed, and what would change the advice", async ({ page }) => {
  await openRig(page, "/why");
  const outlook = page.getByRole("table", { name: /What would change it: a clean plug at full throttle/ });
  await expect(outlook.getByRole("row")).toHaveCount(7);
  await expect(outlook.getByRole("row", { name: /soot/ })).toContainText(/main jet 15\d/);
  const whose = page.getByRole("table", { name: "From your right setting to today, part by part" });
  await expect(whose.getByRole("row", { name: /^Main jet/ })).toHaveText(/165\s*15\d\s*15\d/);
  const looks = page.getByRole("table", { name: /The looks/ }).getByRole("row");
  expect(await looks.count()).toBeGreaterThan(8);
  await expect(looks.nth(1)).toContainText(/Plug, full throttle .*: \d % lean/);
});

test("the log is narrowed to a part, and two of its days are held side by side", async ({ page }) => {
  await openRig(page, "/log");
  await page.getByRole("button", { name: "Show only…" }).click();
  await openList(page.getByRole("combobox", { name: "Part" }));
  await page.getByRole("option", { name: "Clip" }).click();
  const entries = page.getByRole("list", { name: "Entries" });
  await expect(entries.getByText(/clip .+ → /i).first()).toBeVisible();
  await expect(entries.getByText("Filter washed")).toHaveCount(0);
  await openList(page.getByRole("combobox", { name: "Zone" }));
  await page.getByRole("option", { name: "Full throttle" }).click();
  await expect(page.getByText("No entry of the log fits all of that.")).toBeVisible();
  await page.getByRole("button", { name: "Show all" }).click();
  await page.getByRole("link", { name: "Two days" }).click();
  const table = page.getByRole("table");
  await expect(table.getByRole("row", { name: /^Full throttle/ })).toContainText(/leaner|richer/);
  await expect(page.getByRole("status").filter({ hasText: "moved most" })).toBeVisible();
  await openList(page.getByRole("combobox", { name: "What" }));
  await page.getByRole("option", { name: "Plug reader: reads too lean by" }).click();
  const trend = page.getByRole("region", { name: "From day to day" });
  await trend.evaluate((place) => place.scrollIntoView({ block: "end" }));
  await expect(trend.getByRole("img", { name: /^Believed: .* %$/ })).toBeVisible();
  await openList(page.getByRole("combobox", { name: "Second day" }));
  await page.getByRole("option").last().click();
  await expect(page.getByText("No zone moved enough to show on a plug.")).toBeVisible();
});

test("the log is searched by word, and says when nothing matches", async ({ page }) => {
  await openRig(page, "/log");
  const entries = page.getByRole("list", { name: "Entries" });
  await page.getByLabel("Search").fill("plug straw");
  await expect(entries.getByText("straw")).toBeVisible();
  await expect(entries.getByText("biscuit")).toHaveCount(0);
  await page.getByLabel("Search").fill("carbide");
  await expect(page.getByText("Nothing in the log matches “carbide”.")).toBeVisible();
});

test("printing takes the whole log, and a card that says whose it is and for which air", async ({ page }) => {
  await openRig(page, "/log");
  await page.evaluate(() => window.dispatchEvent(new Event("beforeprint")));
  await page.emulateMedia({ media: "print" });
  await expect(page.getByText("Measured on the bench over the winter.")).toBeVisible(); // the oldest entry
  const card = page.getByRole("complementary", { name: "The card" });
  await expect(card.getByText("27", { exact: true })).toBeVisible();
  await expect(card.getByText("250 enduro")).toBeVisible();
  await expect(card.getByText(/13:40 · 19\.0 °C · 808 hPa · 50 %/)).toBeVisible();
});

test("units chosen once hold on every screen", async ({ page }) => {
  await open(page, "/data/units");
  await page.getByLabel("Pressure").click();
  await page.getByRole("option", { name: "inHg" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto(RIG);
  await expect(
    page
      .getByText(/23\.86 inHg/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible();
});

test("the keys work where nothing is being typed", async ({ page }) => {
  await openRig(page);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("a");
  await expect(page).toHaveURL(/\/air$/);
  await page.getByLabel("Temperature").fill("2");
  await page.getByLabel("Temperature").press("l"); // typed, not obeyed
  await expect(page).toHaveURL(/\/air$/);
  await page.getByLabel("Temperature").blur();
  await page.keyboard.press("g");
  await page.keyboard.press("o");
  await expect(page).toHaveURL(/\/log$/);
  await page.keyboard.press("g");
  await page.keyboard.press("t");
  await page.keyboard.press("b");
  await expect(page.getByText(/Main jet 158 → 155/).first()).toBeVisible();
});

test(
  "on a phone the strip opens from its ribbon and the card from its drawer",
  { tag: "@phone" },
  async ({ page }) => {
    await openRig(page);
    await expectAccessible(page, "page");
    await page.getByRole("button", { name: "Open the strip" }).click();
    await expect(page.getByText("who feeds").filter({ visible: true })).toBeVisible();
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Open the card" }).click();
    await expect(page.getByRole("button", { name: "Print card" }).filter({ visible: true })).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(page.getByRole("button", { name: "Print card" }).filter({ visible: true })).toHaveCount(0);
    for (const name of ["Today", "Air", "Look", "Change"]) {
      const box = await page
        .getByRole("navigation", { name: "The work" })
        .getByText(name, { exact: true })
        .locator("xpath=ancestor-or-self::a")
        .boundingBox();
      expect(box?.height).toBeGreaterThanOrEqual(48);
    }
    await page.getByRole("button", { name: "More" }).click();
    await page
      .getByRole("link", { name: /^Walk-round/ })
      .filter({ visible: true })
      .click();
    await expect(page.getByRole("heading", { name: "Walk-round" })).toBeVisible();
  },
);

test("on a phone the work has two thirds of every form, and no figure is cut off @phone", async ({
  page,
}) => {
  for (const [width, height] of [
    [390, 844],
    [360, 640],
  ] as const) {
    await page.setViewportSize({ width, height });
    for (const place of FORMS) {
      await page.goto(`${RIG}/${place}`);
      await expect(page.getByRole("button", { name: "Open the card" })).toBeVisible();
      const shown = await page.evaluate(() => {
        const box = document.querySelector("main")?.getBoundingClientRect();
        const cut = [...document.querySelectorAll("button[aria-label='Open the card'] > span")].filter(
          (cell) => cell.scrollWidth > cell.clientWidth || cell.getBoundingClientRect().right > innerWidth,
        );
        return { share: (box?.height ?? 0) / innerHeight, cut: cut.map((cell) => cell.textContent) };
      });
      expect({ place, width, cut: shown.cut }).toEqual({ place, width, cut: [] });
      expect(shown.share, `${place} at ${width} × ${height}`).toBeGreaterThanOrEqual(0.65);
    }
  }
});

test("where the device draws in its own colours, what is chosen and what a tone is can still be told", async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: "active" });
  await openRig(page, "/look?zone=top");
  const look = (name: string | RegExp, role: "button" | "radio" | "link") =>
    page
      .getByRole(role, { name })
      .first()
      .evaluate((element) => getComputedStyle(element).backgroundColor);
  const [chosen, other] = [await look(/^Full throttle/, "button"), await look(/^Middle/, "button")];
  expect(chosen).not.toBe(other);
  expect(await look(/^Look/, "link")).toBe(chosen);
  const tones = new Set<string>();
  for (const tone of ["chalk", "straw", "biscuit", "cocoa"])
    tones.add(
      await page
        .getByRole("radio", { name: new RegExp(tone, "i") })
        .evaluate((element) => getComputedStyle(element).backgroundColor),
    );
  expect(tones.size).toBe(4);
  await expectAccessible(page, "page");
});

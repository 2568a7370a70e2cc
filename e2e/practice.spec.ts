/** Practice: an engine of ours from the first ride to the debrief, on the real screens, and nothing of it in the book. */
import type { Page } from "@playwright/test";
import { expect, test } from "./test.ts";
import { expectAccessible, open } from "./app.ts";

const visible = (page: Page, name: string | RegExp) =>
  page.getByRole("button", { name }).filter({ visible: true }).first();

async function ride(page: Page, hold: RegExp): Promise<void> {
  await page.getByLabel("Hold").filter({ visible: true }).first().click();
  await page.getByRole("option", { name: hold }).click();
  await visible(page, /^Ride/).click();
}

/** How bright a drawn picture is on the whole; 0 before it is drawn. */
const BRIGHTNESS = (canvas: Element): number => {
  const place = canvas as HTMLCanvasElement;
  const { data } = place.getContext("2d")!.getImageData(0, 0, place.width, place.height);
  return data.reduce((sum, value) => sum + value, 0) / data.length;
};

const allOf = (page: Page, database: string, store: string): Promise<string> =>
  page.evaluate(
    ([name, place]) =>
      new Promise<string>((resolve) => {
        const opening = indexedDB.open(name!);
        opening.onsuccess = () => {
          const keys = opening.result.transaction(place!).objectStore(place!).getAllKeys();
          keys.onsuccess = () => {
            opening.result.close();
            resolve(JSON.stringify(keys.result));
          };
        };
      }),
    [database, store],
  );

test("the first level is ridden, read, changed and debriefed, and outlasts a reload", async ({ page }) => {
  await open(page, "/");
  await page.getByRole("link", { name: "Practice" }).click();
  await expectAccessible(page);
  await page.goto("/practice?game=2.topRich.65008");
  await visible(page, "Play it").click();
  await expect(page.getByRole("heading", { level: 1, name: "1. One jet too large" })).toBeVisible();
  await expect(page.getByText("Strip and card are covered.")).toBeVisible();
  await expect(page.getByRole("heading", { name: "The card" })).toBeHidden();

  await expect(visible(page, /^Header/)).toBeHidden();
  await ride(page, /^Full throttle/);
  await expect(page.getByText("112 min to the gate").filter({ visible: true })).toBeVisible();
  await expect(page.getByText(/breaks up|revs out lazily/)).toBeVisible();
  await visible(page, /^Plug out/).click();
  const plug = page.getByRole("img", { name: "The plug: read its tone" });
  await expect.poll(() => plug.evaluate(BRIGHTNESS)).toBeGreaterThan(40);
  await expectAccessible(page);
  await page.getByRole("link", { name: "Write down its tone", exact: true }).click();
  await page.getByRole("radio", { name: /^umber/ }).click();
  await visible(page, "Save this look").click();
  await expect(page.getByRole("heading", { level: 1, name: "1. One jet too large" })).toBeVisible();

  await page.reload();
  await expect(page.getByText("109 min to the gate").filter({ visible: true })).toBeVisible();
  await page.goto("/rigs/practice:2.topRich.65008/change?main=167.5");
  await visible(page, "It is fitted").click();
  await expect(page.getByText(/Main 167.5/)).toBeVisible();
  await ride(page, /^Full throttle/);
  await visible(page, "Done: show me what was true").click();
  await expect(page.getByRole("heading", { level: 1, name: /^\d+ points$/ })).toBeVisible({
    timeout: 60_000,
  });
  await expect(page.getByRole("table", { name: /Four players/ }).getByRole("row")).toHaveCount(5);
  await expect(page.getByText("Main 182.5 → 167.5")).toBeVisible();
  await expect(page.getByRole("heading", { name: "The card" })).toBeVisible();
  await expectAccessible(page);

  expect(await allOf(page, "tamis", "log")).not.toContain("practice");
  expect(await allOf(page, "tamis-practice", "practice")).toContain("practice:2.topRich.65008");
  await page.getByRole("link", { name: "Paddock" }).first().click();
  await expect(page.getByRole("link", { name: /250 enduro/ })).toBeVisible();
  await expect(page.getByText("One jet too large")).toBeHidden();
  await page.getByRole("link", { name: "Practice" }).click();
  await expect(page.getByText(/^best \d+$/)).toBeVisible();
});

test("strip and card come with Show me alone; a screen that would tell stays closed", async ({ page }) => {
  await page.goto("/practice?game=2.middle.11");
  await visible(page, "Play it").click();
  await expect(page.getByText("Strip and card are covered.")).toBeVisible();
  const id = "/rigs/practice:2.middle.11";
  for (const place of ["why", "sieve", "what-if", "then", "air", "day", "build"]) {
    await page.goto(`${id}/${place}`);
    await expect(page.getByRole("heading", { level: 1 })).toHaveText("Closed in practice");
  }
  await page.goto(id);
  await expect(page.getByRole("heading", { level: 1, name: "2. The middle" })).toBeVisible();
  await visible(page, /^Show me the card/).click();
  await expect(page.getByRole("heading", { name: "The card" })).toBeVisible();
  await expect(page.getByRole("group", { name: "The strip: mixture along the throttle" })).toBeVisible();
});

test("the idle bench runs this engine: its tachometer settles, its exhaust is seen and can be heard", async ({
  page,
}) => {
  await page.goto("/practice?game=2.idle.7");
  await visible(page, "Play it").click();
  await page.getByRole("link", { name: /^Idle/ }).first().click();
  await visible(page, "Simulated tachometer").click();
  await expect(page.getByRole("img", { name: /exhaust’s beats/ })).toBeVisible();
  await visible(page, "Hear it").click();
  await expect(visible(page, "Sound off").or(page.getByText(/plays no sound now/))).toBeVisible();
  await page
    .getByRole("link", { name: /^Practice/ })
    .first()
    .click();
  await expect(page.getByRole("heading", { level: 1, name: /^3\. / })).toBeVisible();
});

test("a link that is no game says why, and a game that is not here where to begin", async ({ page }) => {
  for (const [game, words] of [
    ["1.topRich.5", /another version of Tamis/],
    ["nothing", /no practice game/],
    ["2.tank.5", /no level of that name/],
    ["2.middle.1000000", /no engine of ours/],
  ] as const) {
    await page.goto(`/practice?game=${game}`);
    await expect(page.getByText(words)).toBeVisible();
    await expect(page.getByRole("heading", { name: "The ladder" })).toBeVisible();
  }
  await page.goto("/rigs/practice:2.middle.4/practice");
  await expect(page.getByText(/Start it on the Practice page/)).toBeVisible();
});

test("on a phone the engine stands on its desk, and behind a handle beside every form @phone", async ({
  page,
}) => {
  await page.goto("/practice?game=2.topRich.65008");
  await visible(page, "Play it").click();
  await ride(page, /^Full throttle/);
  await visible(page, /^Plug out/).click();
  await page.getByRole("link", { name: "Write down its tone", exact: true }).click();
  await page.getByRole("button", { name: /^The engine/ }).click();
  const drawer = page.getByRole("dialog", { name: "The engine" });
  await expect(drawer.getByRole("img", { name: "The plug: read its tone" })).toBeVisible();
  await expect(drawer.getByRole("button", { name: "Ride again" })).toBeVisible();
});

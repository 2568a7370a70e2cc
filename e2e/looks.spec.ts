/** Looks of the newer kinds: the plug's other places and a photo, crown, temperatures. */
import type { Locator, Page } from "@playwright/test";
import { expect, test } from "./test.ts";
import { expectAccessible, openRig, RIG, goOn } from "./app.ts";

const heading = (page: Page) => page.getByRole("heading", { level: 1 });

/** Today's screen, once something was saved. */
async function expectSaved(page: Page) {
  await expect(page).toHaveURL(new RegExp(`${RIG}$`));
}

async function tapAt(place: Locator, x: number, y: number) {
  const box = await place.boundingBox();
  if (!box) throw new Error("nothing to tap");
  await place.click({ position: { x: x * box.width, y: y * box.height } });
}

test(
  "a plug is judged in four places; a strap that disagrees asks for the heat range first",
  { tag: "@phone" },
  async ({ page }) => {
    await openRig(page, "/look?zone=top");
    await page.getByRole("radio", { name: /biscuit/ }).click();
    await page.getByRole("button", { name: /^Strap/ }).click();
    await page.getByRole("radio", { name: /soot/ }).click();
    await expect(page.getByText(/this plug is too cold/)).toBeVisible();
    await expect(
      page.getByRole("img", { name: /Porcelain, near its root: biscuit. Strap: soot/ }),
    ).toBeVisible();
    await page.getByText("How to mark it").click();
    await page.getByRole("button", { name: "Laps at speed" }).click();
    await page.getByRole("button", { name: "Count a lap" }).click();
    await page.getByRole("button", { name: "Count a lap" }).click();
    await expectAccessible(page);
    await page.getByRole("button", { name: "Save this look" }).click();
    await expectSaved(page);
    await expect(page.getByText(/The newest plug: The strap is much darker/)).toBeVisible();
    await expect(page.getByText(/clean cut, after 2 laps/)).toBeVisible();
  },
);

test("a photo gives the tone against something white; the tuner’s word wins", async ({ page }) => {
  await openRig(page, "/look?zone=top");
  await page.getByRole("button", { name: "Read it from a photo" }).click();
  await page.getByRole("button", { name: "in the shade" }).click();
  const photo = page.getByRole("img", { name: "The plug, as photographed" });
  await expect(page.getByText("Tap the porcelain near its root.")).toBeVisible();
  await tapAt(photo, 0.516, 0.57);
  await expect(page.getByText(/Now tap something white/)).toBeVisible();
  await tapAt(photo, 0.85, 0.8);
  await expect(page.getByText(/Under white light: umber, .*\(\d+ %\)/)).toBeVisible();
  await page.getByRole("button", { name: /^Something white: at/ }).press("ArrowLeft");
  await expect(page.getByRole("button", { name: /^Something white: at 84 % across/ })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Use umber" }).click();
  await expect(page.getByRole("radio", { name: /umber/ })).toBeChecked();
  await page.getByRole("radio", { name: /soot/ }).click();
  await page.getByRole("button", { name: "Save this look" }).click();
  await expectSaved(page);
  await expect(page.getByText("soot", { exact: true })).toBeVisible();
});

test("crown and header are looks of their own", async ({ page }) => {
  await openRig(page, "/look?how=witness&zone=top");
  await page.getByRole("button", { name: "Save this look" }).click();
  await expect(page.getByText("Say what the crown or the header showed.", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: /Dry all over/ }).click();
  await page.getByRole("button", { name: /Black, sooty/ }).click();
  await page.getByRole("button", { name: "Save this look" }).click();
  await expectSaved(page);
  await expect(page.getByText("Piston crown, full throttle (¾ to open)").first()).toBeVisible();
  await expect(page.getByText("black, sooty")).toBeVisible();
});

test("a temperature in the wrong unit is offered the other, and becomes evidence with this rig’s target", async ({
  page,
}) => {
  await openRig(page, "/look?how=temperature&zone=top");
  await page.getByLabel("Exhaust gas, °C").fill("1310");
  await page.getByLabel("Target, full throttle, °C").fill("1200");
  await page.getByRole("button", { name: "Save this look" }).click();
  await expect(page.getByText("1310 °C is not what exhaust gas has. Did the probe show °F?")).toBeVisible();
  await expect(page.getByLabel("Exhaust gas, °C")).toHaveValue("1310");
  await page.getByRole("button", { name: "Read it as °F and save" }).click();
  await expectSaved(page);
  await expect(page.getByText("710.0 °C")).toBeVisible();
  // The target was typed with it: the next reading finds it there.
  await goOn(page, `${RIG}/look?how=temperature&zone=top`);
  await expect(page.getByLabel("Target, full throttle, °C")).toHaveValue("649");
});

test("head temperatures of a run show what moves them, start line first", async ({ page }) => {
  await openRig(page, "/look?how=temperature&zone=top");
  await page.getByRole("button", { name: /On the head/ }).click();
  const moves = page.getByRole("table", { name: "What moves it, start line first" });
  await expect(moves.getByRole("row").nth(1)).toContainText("Start line");
  await expect(moves).toContainText("Main jet");
  await page.getByLabel("At the start line, °C").fill("78");
  await page.getByLabel("At the finish, °C").fill("150");
  await page.getByLabel("Rise to the finish, from, °C").fill("40");
  await page.getByLabel("to, °C", { exact: true }).fill("55");
  await expectAccessible(page);
  await page.getByRole("button", { name: "Save this look" }).click();
  await expectSaved(page);
  await expect(page.getByText("+72 °C to 150.0 °C")).toBeVisible();
  await goOn(page, `${RIG}/why`);
  await expect(heading(page)).toHaveText("Why");
  await expect(page.getByRole("table", { name: /The looks/ })).toContainText("Head, rise of the run");
});

async function readPlug(page: Page, tone: string) {
  await openRig(page, "/look?how=plug&zone=top");
  await page.getByRole("radio", { name: new RegExp(tone) }).click();
  await page.getByRole("button", { name: "Save this look" }).click();
  await page.waitForURL((url) => url.pathname === RIG);
}

test("a pale plug alone against rich figures is asked about before the top is leaned", async ({ page }) => {
  for (const lambda of ["0.78", "0.78"]) {
    await openRig(page, "/look?how=lambda&zone=top");
    await page.getByLabel("λ", { exact: true }).fill(lambda);
    await page.getByRole("button", { name: "Save this look" }).click();
    await page.waitForURL((url) => url.pathname === RIG);
  }
  await readPlug(page, "chalk");
  const plan = page.getByRole("list", { name: "The plan for this stop" });
  const question = page.getByText(/shows full throttle lean\. All else says it is rich/);
  await expect(question).toHaveCount(1);
  const fits = page.getByRole("main").getByRole("button", { name: /main jet .* is fitted|^All/i });
  await expect(plan).toContainText("Main jet");
  await expect(fits).toHaveCount(0);
  // Neither by its key.
  await page.keyboard.press("c");
  await expect(page).toHaveURL(/\/change$/);
  await page.goBack();
  await page.getByRole("button", { name: "I looked again" }).click();
  await expect(question).toHaveCount(0);
  await expect(fits.first()).toBeVisible();
});

test("plugs that exclude each other stop the riding until the wrong one is crossed out", async ({ page }) => {
  await readPlug(page, "soot");
  await readPlug(page, "chalk");
  await expect(heading(page)).toHaveText("Stop: your plugs contradict each other");
  await expect(page.getByRole("main").getByRole("button", { name: /^All fitted/ })).toHaveCount(0);
  await page.getByRole("main").getByRole("link", { name: "To the log" }).click();
  // Today lists the looks as well, and stands until the log does.
  await expect(heading(page)).toHaveText("The log");
  await page
    .getByRole("button", { name: /^Strike this look/i })
    .first()
    .click();
  await goOn(page, RIG);
  await expect(heading(page)).not.toHaveText(/contradict/);
});

test(
  "plug and how it pulled are one ride: saved in one tap, taken back in one",
  { tag: "@phone" },
  async ({ page }) => {
    await openRig(page, "/look?how=plug&zone=top");
    await page.getByRole("radio", { name: /cocoa/ }).click();
    const pulled = page.getByText("How did it pull on that ride?");
    if (!(await page.getByRole("group", { name: /^Middle/ }).isVisible())) await pulled.click();
    const say = (zone: RegExp, felt: string) =>
      page.getByRole("group", { name: zone }).getByRole("button", { name: felt, exact: true }).click();
    await say(/^Middle/, "Clean");
    await say(/^Full throttle \(/, "Rich");
    await expectAccessible(page);
    await page.getByRole("button", { name: "Save this look" }).click();
    await page.waitForURL((url) => url.pathname === RIG);
    const day = page.getByRole("main");
    await expect(day.getByText("cocoa").first()).toBeVisible();
    await expect(day.getByText(/middle clean, full throttle rich/).first()).toBeVisible();
    const struck = day.getByText("(struck through)");
    const before = await struck.count();
    await page.getByRole("button", { name: "Undo", exact: true }).click();
    await expect(struck).toHaveCount(before + 2);
  },
);

test(
  "it pinged stops the riding in one tap, and the plug that is then read clears it",
  { tag: "@phone" },
  async ({ page }) => {
    await openRig(page);
    await page.getByRole("button", { name: "Back from a ride?" }).click();
    await page.getByRole("button", { name: "It pinged" }).click();
    await expect(heading(page)).toHaveText("Stop: it pinged");
    await expect(page.getByRole("main").getByRole("button", { name: /^All fitted/ })).toHaveCount(0);
    await page
      .getByRole("main")
      .getByRole("link", { name: /^Log a look/ })
      .click();
    await page.getByRole("radio", { name: /biscuit/ }).click();
    await page.getByRole("button", { name: "Save this look" }).click();
    await page.waitForURL((url) => url.pathname === RIG);
    await expect(heading(page)).not.toHaveText(/pinged/);
  },
);

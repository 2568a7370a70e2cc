/** The walk-round: a float out of its limits, a stop that holds the card, and saying "I know". */
import type { Page } from "@playwright/test";
import { expect, test } from "./test.ts";
import { ATV, cardText, expectAccessible, openRig, RIG, goOn } from "./app.ts";

const open = async (page: Page, path: string) => {
  await page.goto(path);
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
};

test("a float out of the manual's limits says which way to bend and what it does to the mixture", async ({
  page,
}) => {
  await openRig(page, "/walk-round/floatHeight");
  await expect(page.getByText("15.5 to 16.5 mm · own bench, winter")).toHaveCount(2); // both floats alike
  await page.getByLabel("Height, single or left float").fill("14");
  await expect(page.getByText(/Bend the tab towards the valve.*Move it by 2.0 mm/)).toBeVisible();
  await expect(page.getByText(/Fuel 2.0 mm higher than wanted makes idle .* richer/)).toBeVisible();
  await page.getByRole("button", { name: "Limit" }).first().click();
  await page.getByLabel("From", { exact: true }).fill("13");
  await page.getByLabel("Where it comes from").fill("new manual");
  await expect(page.getByText("13 to 16.5 mm · new manual").first()).toBeVisible();
  await expect(page.getByText(/leave the tab alone/)).toBeVisible();
  await page.getByRole("button", { name: "Save this check" }).click();
  await expect(page.getByRole("heading", { name: "Float, wet level" })).toBeVisible();
  await goOn(page, `${RIG}/base`);
  await expect(page.getByText("Kept on this device: E 38-2.")).toBeVisible();
});

test("a drilled jet is found with pins, and a bent height is refused at its field", async ({ page }) => {
  await openRig(page, "/walk-round/passages");
  await page.getByLabel("Main: pin that passes").fill("1,62");
  await page.getByLabel("Main: pin that does not").fill("1,64");
  await expect(page.getByText(/the stamp means 1.58 mm. It has been drilled/)).toBeVisible();
  await page.getByLabel("Main: pin that does not").fill("1,6");
  await expect(page.getByText(/go pin must be thinner than the no-go pin/).first()).toBeVisible();
  await page.getByRole("button", { name: "Save this check" }).click();
  await expect(page).toHaveURL(/passages$/);
  await expect(page.getByLabel("Main: pin that passes")).toHaveValue("1,62");
});

test("where fuel runs from tells what to look at", async ({ page }) => {
  await openRig(page, "/walk-round/needleAndSeat");
  const causes = page.getByRole("list", { name: "Likely causes" }).getByRole("listitem");
  await expect(causes.first()).toContainText("Dirt in the seat");
  await page.getByRole("button", { name: "The stand-pipe" }).click();
  await page.getByRole("button", { name: "Shaking" }).click();
  await expect(causes.first()).toContainText("Vibration only");
});

test("a stop holds the card back, is overridden with a reason, and gives way to a pass", async ({ page }) => {
  await open(page, ATV);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Stop: the choke");
  const handle = page.getByRole("button", { name: "Open the card" });
  const openCard = async () => {
    if (await handle.isVisible()) await handle.click();
  };
  expect(await cardText(page)).toMatch(/held back/i);
  await openCard();
  const know = page.getByRole("button", { name: "I know", exact: true }).filter({ visible: true });
  await know.click();
  await expectAccessible(page);
  await page.getByRole("button", { name: "I know: show the card" }).click();
  await expect(page.getByText("Say why: it is printed on the card.")).toBeVisible();
  await page.getByLabel("Why all the same").fill("only to the gate and back");
  await page.getByRole("button", { name: "I know: show the card" }).click();
  await expect(page.getByText(/Walk-round failed: the choke/).filter({ visible: true })).toBeVisible();

  await goOn(page, `${ATV}/walk-round`);
  await expect(page.getByText(/Jetted on although the choke says stop: “only to the gate/)).toBeVisible();
  await goOn(page, `${ATV}/walk-round/choke`);
  await page.getByLabel("Note").fill("Cable freed, plunger seats.");
  await page.getByLabel("Slack in the choke cable").fill("2");
  await page.getByRole("button", { name: "Save this check" }).click();
  await page.waitForURL(/cable$/);
  await goOn(page, ATV);
  await expect(page.getByRole("heading", { level: 1 })).not.toContainText("Stop");
  await expect(page.getByText(/Walk-round failed/)).toHaveCount(0);
});

test("a check passes in one tap, and the strike of it brings it back", async ({ page }) => {
  await openRig(page, "/log");
  await open(page, "/rigs/rig:demo-racer/log");
  await page.getByLabel("Search").fill("choke really off");
  await page.getByRole("button", { name: "Strike this check through" }).click();
  await expect(page.getByText("(struck through)")).toBeAttached();
  await goOn(page, "/rigs/rig:demo-racer/walk-round");
  const line = page.getByRole("listitem").filter({ hasText: "Choke really off" });
  await line.getByRole("button", { name: "Pass: Choke really off" }).click();
  await expect(line.getByText("pass", { exact: false }).first()).toBeVisible();
  await expect(line.getByRole("button")).toHaveCount(0);
});

/** The idle bench: from the first reading to the verdict, and into the log. */
import { expect, test, type Page } from "@playwright/test";
import { expectAccessible, openRig, RIG } from "./app.ts";

/** A crest of 1700 rpm at 1 1/2 turns, 2 % lost half a turn either side. */
const rpmAt = (turns: number): number => Math.round(1700 * (1 - 0.02 * ((turns - 1.5) / 0.5) ** 2));

async function read(page: Page, turns: string, rpm: number) {
  await page.getByLabel("Turns out").fill(turns);
  await page.getByLabel("Settled at, rpm").fill(String(rpm));
  await page.getByRole("button", { name: "Add", exact: true }).click();
}

test("an idle is walked from cold to its verdict and becomes a look", async ({ page }) => {
  await openRig(page, "/idle");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("The idle bench");
  await expect(page.getByLabel("Turns out")).toHaveValue("1");
  await read(page, "thumb", 1700);
  await expect(page.getByText("Turns out, 0 to 20.")).toBeVisible();
  await expect(page.getByLabel("Turns out")).toHaveValue("thumb");
  for (const turns of [1, 1.25, 1.5, 1.75]) await read(page, String(turns), rpmAt(turns));
  await expect(page.getByText(/Five readings at least. Next: 2 turns out./)).toBeVisible();
  await expect(page.getByRole("button", { name: "Log this idle" })).toBeDisabled();
  for (const turns of [2, 0.75, 2.25]) await read(page, String(turns), rpmAt(turns));
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/^Leave the pilot jet: screw to 1 [½⅜⅝]$/);
  await expect(page.getByText(/Crest 1[67]\d\d rpm at 1/)).toBeVisible();
  await expectAccessible(page);

  // Another school, another place for the screw; and the readings outlast a glance elsewhere.
  await page.getByRole("button", { name: "Highest, a touch rich" }).click();
  await expect(page.getByText(/then an eighth of a turn richer/)).toBeVisible();
  await page.getByRole("link", { name: /^Air/ }).filter({ visible: true }).click();
  await expect(page.getByRole("heading", { name: /The air where/ })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole("list", { name: "Readings" }).getByRole("listitem")).toHaveCount(7);
  await page.getByRole("button", { name: "Log this idle" }).click();
  await page.waitForURL((url) => url.pathname === RIG);
  await expect(page.getByText("Idle bench, 7 readings").first()).toBeVisible();
});

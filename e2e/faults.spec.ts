/** What no jet cures: looked for first, asked about, found or not found; and whose eyes a plug was read with. */
import { expect, test } from "./test.ts";
import { expectAccessible, open, openRig, RIG, TWIN, goOn } from "./app.ts";

test("a fault is looked for before anything is jetted, and once it was not that, the plan is back", async ({
  page,
}) => {
  await open(page, TWIN);
  const heading = page.getByRole("heading", { level: 1 });
  await expect(heading).toHaveText(/^Check this first: .* on cylinder 2$/);
  await expect(page.getByText(/^This does not look like jetting/)).toBeVisible();
  const faults = page.getByRole("region", { name: "Not jetting?" });
  await expect(faults.getByText(/^For it: /)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("link", { name: "Look at jets and passages" }).click();
  await page.waitForURL(/walk-round\/passages$/);
  await expect(page.getByRole("heading", { name: /passages/i }).first()).toBeVisible();
  await goOn(page, TWIN);
  await page.getByRole("button", { name: /^It was not one cylinder/ }).click();
  await expect(heading).not.toHaveText(/^Check this first/);
  await expect(page.getByText(/Looked for, not found: one cylinder/).first()).toBeVisible();
});

test("found and mended it speaks for nothing any more", async ({ page }) => {
  await open(page, TWIN);
  await page.getByRole("button", { name: /^It was one cylinder.*, and it is mended$/ }).click();
  await expect(page.getByRole("heading", { level: 1 })).not.toHaveText(/^Check this first/);
  await expect(page.getByText(/Found and mended: one cylinder/).first()).toBeVisible();
  await expect(page.getByRole("region", { name: "Not jetting?" })).toHaveCount(0);
});

test("a symptom is told with its answer, and the next question is one tap", async ({ page }) => {
  await openRig(page, "/look?how=symptom");
  await page.getByRole("button", { name: /^Dies after some seconds held wide open/ }).click();
  await page.getByRole("button", { name: "Pulls again" }).click();
  await expect(page.getByText(/Today shows how likely it is/)).toBeVisible();
  await page.getByRole("button", { name: "Save this look" }).click();
  await page.waitForURL((url) => url.pathname === RIG);
  await expect(page.getByText(/^Rolled off for a second, then on again/).first()).toBeVisible();
  const question = page.getByRole("region", { name: "One question" });
  await expect(question).toBeVisible();
  await expectAccessible(page);
  const asked = await question.locator("strong").innerText();
  await question.getByRole("button").first().click();
  await expect(question.getByText(asked)).toHaveCount(0);
  await expect(page.getByText(asked).first()).toBeVisible();
  await goOn(page, `${RIG}/why`);
  await expect(page.getByRole("region", { name: /learnt of engine and instruments/ })).toBeVisible();
  await expectAccessible(page);
});

test("an instrument has a name, and a look remembers whose it was", async ({ page }) => {
  await open(page, "/data/instruments");
  await page.getByLabel("Name", { exact: true }).fill("Nine");
  await page.getByRole("button", { name: "Name it" }).click();
  await expect(page.getByRole("button", { name: "Take Nine off the list" })).toBeVisible();
  await page.getByLabel("Name", { exact: true }).fill("Nine");
  await page.getByRole("button", { name: "Name it" }).click();
  await expect(page.getByText("There is one of that name already.")).toBeVisible();
  await expectAccessible(page);
  await goOn(page, `${RIG}/look?how=plug&zone=top`);
  await page.getByRole("button", { name: "Nine" }).click();
  await page.getByRole("radio", { name: /biscuit/ }).click();
  await page.getByRole("button", { name: "Save this look" }).click();
  await page.waitForURL((url) => url.pathname === RIG);
  await goOn(page, `${RIG}/why`);
  await expect(page.getByText(/^Nine: no error found so far/)).toBeVisible();
});

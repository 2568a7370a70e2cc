/** A logger's file: guessed, confirmed, read, looked at, logged. */
import { expect, test } from "./test.ts";
import { expectAccessible, openRig, RIG, goOn } from "./app.ts";
import { chooseLog as choose, rideRows as rows } from "./logger-files.ts";

test("the simulated logger’s ride is read, charted and logged as weighted looks and runs", async ({
  page,
}) => {
  await openRig(page, "/logger");
  await page.getByRole("button", { name: "Simulated logger" }).click();
  await expect(page.getByLabel("Throttle [%] is")).toHaveValue("throttle");
  await expect(page.getByLabel("Unit of Speed [km/h]")).toHaveValue("km/h");
  await expectAccessible(page);
  await page.getByRole("button", { name: "Read the file" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("λ in 4 zones, 8 pulls");
  await expect(page.getByText(/The sensor is 0\.[23]\d s late/)).toBeVisible();
  const zones = page.getByRole("table", { name: /Mixture by zone/ });
  await expect(zones.getByRole("row")).toHaveCount(5);
  await expect(page.getByRole("table").filter({ hasText: "Standing start" })).toContainText("0 to 80 4.");
  const charts = page.getByRole("figure");
  await charts.first().scrollIntoViewIfNeeded();
  await expect(charts.first().locator("svg")).toBeVisible();
  await charts.last().scrollIntoViewIfNeeded();
  await expect(charts.last().locator("svg")).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel("Standing starts as runs").click();
  await page.getByRole("option", { name: "0 to 80 km/h" }).click();
  await page.getByRole("button", { name: /^Log 4 looks, \d+ temperatures and 4 runs$/ }).click();
  await expect(page).toHaveURL(new RegExp(`${RIG}$`));
  await expect(page.getByText("simulated-ride-1.csv")).toBeVisible();
  await expect(page.getByText(/λ, just off idle .* logged/)).toBeVisible();
  await goOn(page, `${RIG}/why`);
  await expect(page.getByRole("table", { name: /The looks/ })).toContainText(/s logged/);
});

test("columns put right once are remembered for files with the same heads", async ({ page }) => {
  await openRig(page, "/logger");
  const text = `a,b,c\n${rows(() => 0.88)}`;
  await choose(page, "plain.csv", text);
  await expect(page.getByText(/Say which column is the time/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Read the file" })).toBeDisabled();
  await page.getByLabel("a is", { exact: true }).selectOption("time");
  await page.getByLabel("b is", { exact: true }).selectOption("throttle");
  await page.getByLabel("c is", { exact: true }).selectOption("lambda");
  await page.getByRole("button", { name: "Read the file" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/^λ in 4 zones/);
  await choose(page, "plain-again.csv", text);
  await expect(page.getByText("As you chose for an earlier file with the same column names.")).toBeVisible();
  await expect(page.getByLabel("c is", { exact: true })).toHaveValue("lambda");
});

test("AFR of another fuel is noticed and read on its own scale", async ({ page }) => {
  await openRig(page, "/logger");
  await choose(page, "methanol.csv", `Time,Throttle,AFR\n${rows(() => 0.88, 6.45)}`);
  await page.getByRole("button", { name: "Read the file" }).click();
  await expect(page.getByText(/No engine runs on such a λ\. Read again as:/)).toBeVisible();
  await page.getByRole("button", { name: "AFR of methanol (6.45)" }).click();
  await expect(page.getByRole("table", { name: /Mixture by zone/ })).toContainText("0.880");
});

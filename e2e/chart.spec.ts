/** The chart for the van, the card handed over, and another rig like this one. */
import { readFileSync } from "node:fs";
import { expect, test } from "./test.ts";
import { openRig, RIG, openList } from "./app.ts";

test("the chart is drawn, follows what is typed, refuses what cannot be, and leaves as file and picture", async ({
  page,
}) => {
  await openRig(page, "/chart");
  const chart = page.getByRole("table", { name: /^What to fit, by temperature and height/ });
  await expect(chart.getByRole("row")).toHaveCount(18);
  await expect(chart.getByText("…")).toHaveCount(0);
  await expect(chart.getByRole("cell").first()).toHaveText(/^[A-Z] 1\d\d/);
  await expect(page.getByRole("table", { name: "The settings" }).getByRole("row").nth(1)).toContainText(
    /A.*1\d\d/,
  );
  await page.getByLabel("Warmest").fill("2");
  await expect(page.getByText("Lower than the coldest.")).toBeVisible();
  await expect(chart).toBeHidden();
  await page.getByLabel("Warmest").fill("15");
  await page
    .getByRole("radio", { name: "Dry density" })
    .or(page.getByRole("button", { name: "Dry density" }))
    .click();
  const byDensity = page.getByRole("table", { name: /and dry density/ });
  await expect(byDensity.getByText("…")).toHaveCount(0);
  await expect(byDensity.getByRole("rowheader").first()).toHaveText(/1\.3\d* kg\/m³/);

  const csv = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as CSV" }).click();
  const file = await csv;
  expect(file.suggestedFilename()).toMatch(/^tamis-chart-250-enduro-.*\.csv$/);
  expect(readFileSync(await file.path(), "utf8")).toMatch(/^temperature °C,station pressure hPa.*\n?.*main/);
  const picture = page.waitForEvent("download");
  await page.getByRole("button", { name: "Chart as picture" }).click();
  expect((await picture).suggestedFilename()).toMatch(/\.png$/);
});

test("the card is handed over as one line", async ({ page, context }) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await openRig(page);
  await page.getByRole("button", { name: "Hand over" }).click();
  await expect(page.getByText(/^Copied: 27, .*: main 155, screw 1 ¾, clip 2nd, pilot 45\.$/)).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain("main 155");
});

test("another rig like this one stands beside it, its setting a guess: it has no chart yet", async ({
  page,
}) => {
  await page.goto(`${RIG}/like`);
  await page.getByLabel("Number plate").fill("");
  await page.getByRole("button", { name: "Make it" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Another like it" })).toBeVisible();
  await page.getByLabel("Number plate").fill("28");
  await openList(page.getByRole("combobox", { name: /answer to the air/ }));
  await page.getByRole("option", { name: /^Take it along: -?\d\.\d\d ± \d\.\d\d/ }).click();
  await page.getByRole("button", { name: "Make it" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Paddock" })).toBeVisible();
  const rigs = page.getByRole("link", { name: /250 enduro/ });
  await expect(rigs).toHaveCount(2);
  await rigs.nth(1).click();
  await expect(page).toHaveURL(/\/rigs\//);
  await expect(page.getByRole("main").getByRole("heading", { level: 1 })).toBeVisible();
  await page.goto(`${new URL(page.url()).pathname}/chart`);
  await expect(page.getByRole("alert")).toContainText("Your setting is a guess, so there is no chart yet.");
  await expect(page.getByRole("button", { name: "Print on A4" })).toHaveCount(0);
});

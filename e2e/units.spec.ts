/** Units as they are preferred, on every screen; and numbers as the device's region writes them. */
import type { Page } from "@playwright/test";
import { expect, test } from "./test.ts";
import { RIG, turnTo, openList } from "./app.ts";
import { SCREENS } from "./screens.ts";

const OURS = [
  ["Temperature", "°F"],
  ["Pressure", "inHg"],
  ["Height", "ft"],
  ["Speed", "mph"],
] as const;

async function prefer(page: Page): Promise<void> {
  await page.goto("/data/units");
  for (const [label, unit] of OURS) {
    await openList(page.getByRole("combobox", { name: label, exact: true }));
    await page.getByRole("option", { name: unit, exact: true }).click();
    await expect(page.getByRole("combobox", { name: label, exact: true })).toHaveText(unit);
  }
}

/** What is said in another unit. The density of a fuel is by its definition that at 15 °C. */
const inOtherUnits = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const OTHER = /[^\n]{0,30}(\d ?(°C|hPa|km\/h|km|m)(?![\w³²/])|, (°C|hPa|m|km\/h)$)[^\n]{0,10}/gm;
    const fields = [...document.querySelectorAll(".MuiOutlinedInput-root")].map(
      (field) => (field as HTMLElement).innerText,
    );
    const text = [document.body.innerText, ...fields].join("\n");
    return [...text.matchAll(OTHER)].map(([found]) => found.trim()).filter((found) => !/15 °C/.test(found));
  });

test.describe("in °F, inHg, ft and mph", () => {
  test.use({ locale: "en-US" });
  test("every screen keeps to them", async ({ page }) => {
    await prefer(page);
    const found: string[] = [];
    for (const { path, title } of SCREENS) {
      await turnTo(page, path);
      await expect(page.getByRole("heading", { level: 1 }).first()).toHaveText(title);
      await page.evaluate(() => {
        for (const fold of document.querySelectorAll("details")) fold.open = true;
      });
      found.push(...(await inOtherUnits(page)).map((words) => `${path}: ${words}`));
    }
    expect(found).toEqual([]);
    await page.goto(RIG);
    await expect(
      page
        .getByRole("main")
        .getByText(/^[\d-]+ ft$/)
        .first(),
    ).toBeVisible();
  });
});

test.describe("where decimals have a comma", () => {
  test.use({ locale: "de-DE" });
  test("they are written and read with it, no digits grouped, and a point is read too", async ({ page }) => {
    await page.goto(`${RIG}/air`);
    const main = page.getByRole("main");
    await page.getByLabel("Temperature").fill("24,5");
    await page.getByLabel("Humidity", { exact: true }).fill("46");
    await page.getByLabel("Pressure", { exact: true }).fill("808.3");
    await expect(main.getByText(/^0,\d{4} kg\/m³$/).first()).toBeVisible();
    await expect(main.getByText(/^\d+,\d %$/).first()).toBeVisible();
    await page.getByLabel("Pressure", { exact: true }).fill("810,3");
    await page.getByRole("button", { name: /^Save/ }).click();
    await expect(
      page
        .getByRole("main")
        .getByText(/^\d+,\d %$/)
        .first(),
    ).toBeVisible();
    await page.goto(`${RIG}/build?open=Needle and jet`);
    await expect(page.getByLabel("Needle jet", { exact: true })).toHaveValue(/^\d,\d+$/);
    // Opened and saved as it stands, nothing differs.
    await page.getByRole("button", { name: "Save the rig" }).click();
    await expect(page.getByText("Saved: the machine as it is from now on.")).toBeVisible();
  });
});

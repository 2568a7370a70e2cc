/** The handbook: read without scripts, alive with them under its own policy, found from every place and led back. */
import { expect, test } from "./test.ts";
import { expectAccessible, openRig, RIG, TWIN } from "./app.ts";

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("a page is read whole, its figure too, and links go on", async ({ page }) => {
    await page.goto("/handbook/who-feeds");
    await expect(page.getByRole("heading", { level: 1 })).toHaveText("Who feeds where");
    await expect(page.getByRole("img", { name: /^Who feeds/ })).toBeVisible();
    await page.getByRole("navigation", { name: "Next and previous" }).getByRole("link").last().click();
    await expect(page.getByRole("heading", { level: 1 })).toHaveText("The walk-round");
  });
});

test("a page opened by its address is alive under its own policy", async ({ page }) => {
  const wrong: string[] = [];
  page.on("console", (message) => {
    if (message.type() === "error") wrong.push(message.text());
  });
  page.on("pageerror", (error) => wrong.push(error.message));
  const response = await page.goto("/handbook/air?from=/rigs/rig:demo-enduro/air");
  const sent = response?.headers()["content-security-policy"] ?? "";
  const own = await page.locator('meta[http-equiv="Content-Security-Policy"]').getAttribute("content");
  expect(sent).toContain(own ?? "none");
  await expect(page.getByRole("table")).toContainText("1500 m (4900 ft)");
  await expectAccessible(page);
  await page.getByRole("link", { name: "Back to where you were" }).click();
  await expect(page).toHaveURL(/rig:demo-enduro\/air$/);
  await page.goto("/handbook/air?from=//elsewhere.example/x");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("The air");
  await expect(page.getByRole("link", { name: "Back to where you were" })).toBeHidden();
  expect(wrong).toEqual([]);
});

test("every place of a rig has its page, by the ? and by the key, and the page leads back", async ({
  page,
}) => {
  for (const path of ["", "air", "walk-round", "idle", "look", "change", "why", "day", "log", "build"]) {
    await openRig(page, path === "" ? "" : `/${path}`);
    const heading = await page.getByRole("main").getByRole("heading", { level: 1 }).innerText();
    await page.getByRole("link", { name: /^Handbook: / }).click();
    await expect(page).toHaveURL(/\/handbook\//);
    await page.getByRole("link", { name: "Back to where you were" }).click();
    await expect(page.getByRole("main").getByRole("heading", { level: 1 })).toHaveText(heading);
  }
  await page.goto(`${TWIN}/balance`);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Vacuum balance");
  await page.keyboard.press("h");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Several cylinders");
  await page.goto(RIG);
});

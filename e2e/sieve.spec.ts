/** The sieve: what is still possible, what closed the rest, and the way from a hole to the spanner. */
import { expect, test } from "./test.ts";
import { openRig, RIG, goOn } from "./app.ts";

test("a look is taken back and its holes open, and a hole is looked through and fitted", async ({ page }) => {
  await openRig(page, "/sieve");
  const sieve = page.getByRole("table", { name: "Main jet across, clip down" });
  await expect(sieve.getByRole("button", { name: /fitted$/ })).toHaveCount(1);
  const open = sieve.getByRole("button", { name: /best of all/ });
  const now = await open.count();
  expect(now).toBeGreaterThan(2);

  // Back before all of the looks: more is possible than now.
  await page.getByRole("slider").press("Home");
  await expect(page.getByText(/^0 of the newest \d+ looks counted$/)).toBeVisible();
  await expect(page.getByText("Before any of these looks")).toBeVisible();
  await expect.poll(() => open.count()).toBeGreaterThan(now);
  await page.getByRole("slider").press("End");
  await expect(open).toHaveCount(now);

  await sieve.getByRole("button", { name: /^main jet 155, clip 2nd/ }).click();
  const hole = page.getByRole("region", { name: "This hole" });
  await expect(hole.getByRole("heading")).toContainText("main jet 158 → 155");
  await expect(hole.getByRole("row", { name: /^Full throttle/ })).toContainText("leaner");
  await hole.getByRole("link", { name: "Fit this instead" }).click();
  await expect(page.getByRole("textbox", { name: "Main" })).toHaveValue("155");
  await expect(page.getByRole("textbox", { name: "Clip" })).toHaveValue("2");
  await page.getByRole("button", { name: "It is fitted" }).click();
  await page.waitForURL((url) => url.pathname === RIG);
  // In the log: the plan that said the same is gone as soon as the new one is there.
  const fitted = page.getByRole("listitem").filter({ hasText: /main jet 158 → 155.*own choice/ });
  await expect(fitted).toBeVisible();
});

test("what if: parts and air are moved on paper, a trial is kept over a reload, and nothing is logged", async ({
  page,
}) => {
  await openRig(page, "/what-if");
  const table = page.getByRole("table", { name: "Side by side" });
  const top = table.getByRole("row", { name: /^Full throttle/ }).getByRole("cell");
  await expect(top).toHaveCount(2);
  const before = await top.nth(1).innerText();
  await page.getByRole("slider", { name: "Main" }).press("PageDown");
  await expect(page.getByText(/^Main 158 → 148\b/)).toBeVisible();
  await expect(top.nth(1)).not.toHaveText(before);
  await page.getByRole("slider", { name: "Pressure here" }).press("Home");
  await expect(
    table
      .getByRole("row", { name: /^Power/ })
      .getByRole("cell")
      .nth(1),
  ).toHaveText(/^[5-6]\d %$/);

  // A needle thicker than its jet cannot be: said, and the last trial stays.
  await page.getByRole("slider", { name: "Needle thicker by" }).press("End");
  await page.getByRole("slider", { name: "Needle jet" }).press("Home");
  await expect(page.getByText(/That cannot be tried: .*thinner than its jet/)).toBeVisible();
  await page.getByRole("slider", { name: "Needle jet" }).press("End");
  await expect(page.getByText(/That cannot be tried/)).toHaveCount(0);

  await page.getByLabel("Keep it as").fill("High pass");
  await page.getByRole("button", { name: "Keep this trial" }).click();
  await expect(table.getByRole("columnheader", { name: /High pass/ })).toBeVisible();
  await page.reload();
  await expect(table.getByRole("columnheader", { name: /High pass/ })).toBeVisible();
  await page.getByRole("button", { name: "Open High pass" }).click();
  await expect(page.getByText(/Main 158 → 148\b/)).toBeVisible();
  await page.getByRole("button", { name: "Drop High pass" }).click();
  await expect(table.getByRole("columnheader", { name: /High pass/ })).toHaveCount(0);
  await goOn(page, `${RIG}/log`);
  await expect(page.getByRole("list", { name: "Entries" }).getByRole("listitem").first()).toBeVisible();
  await expect(page.getByText("148")).toHaveCount(0);
});

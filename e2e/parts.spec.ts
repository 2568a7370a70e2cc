/** Parts on the bench: measured into the box, tried on paper, fitted; two rigs on one strip; the map. */
import { expect, test } from "./test.ts";
import { KART, openRig, RIG, goOn, openList } from "./app.ts";

test("a part is measured into the box, refused where it cannot be, compared, and fitted as another part", async ({
  page,
}) => {
  await page.goto(`${KART}/parts`);
  const box = page.getByRole("table", { name: /^In the box/ });
  await expect(box.getByRole("row", { name: /^One scratch/ })).toContainText("in the carburettor");
  await expect(box.getByRole("row", { name: /^Two scratches/ })).toContainText("leaner");
  await expect(box.getByRole("row", { name: /^The wide one/ })).toContainText("richer");
  const near = page.getByRole("table", { name: "The nearest first" });
  await expect(near.getByRole("row")).toHaveCount(3);
  await expect(page.getByRole("row", { name: /^Needle, straight/ })).toContainText("0.01 mm thicker");

  // A bore that the needle does not go through is refused where it was typed; what was typed stays.
  await openList(page.getByRole("combobox", { name: "What it is" }));
  await page.getByRole("option", { name: "Needle jet" }).click();
  await page.getByRole("textbox", { name: "Your name for it" }).fill("narrow one");
  await page.getByRole("textbox", { name: "Bore" }).fill("2.4");
  await page.getByRole("button", { name: "Into the box" }).click();
  await expect(page.getByText(/thinner than its jet/)).toBeVisible();
  await page.getByRole("textbox", { name: "Bore" }).fill("2,64");
  await page.getByRole("button", { name: "Into the box" }).click();
  await expect(box.getByRole("row", { name: /^Narrow one/ })).toContainText("leaner");
  await expect(page.getByRole("textbox", { name: "Your name for it" })).toHaveValue("");

  await box.getByRole("button", { name: "Narrow one", exact: true }).click();
  const panel = page.getByRole("region", { name: "narrow one" });
  await expect(panel.getByRole("img", { name: /with this part/ })).toBeVisible();
  await panel.getByRole("textbox", { name: "What comes out is called" }).fill("the wide one");
  await panel.getByRole("button", { name: "It is in" }).click();
  await expect(panel.getByText("There is a part of that name already.")).toBeVisible();
  await panel.getByRole("textbox", { name: "What comes out is called" }).fill("as bought");
  await panel.getByRole("button", { name: "It is in" }).click();
  await expect(box.getByRole("row", { name: /^Narrow one/ })).toContainText("in the carburettor");
  await expect(box.getByRole("row", { name: /^As bought/ })).toContainText("richer");
  await page.getByRole("button", { name: "Take two scratches out of the box" }).click();
  await expect(box.getByRole("row", { name: /^Two scratches/ })).toHaveCount(0);
  await goOn(page, `${KART}/log`);
  await expect(page.getByText(/Fitted needle jet “narrow one” from the box/).first()).toBeVisible();
});

test("a part and another rig are held against what is fitted on one strip, and the map says it over speed", async ({
  page,
}) => {
  await page.goto(`${KART}/what-if?part=two+scratches`);
  await expect(page.getByText("Needle “two scratches”, 20 minutes.")).toBeVisible();
  const table = page.getByRole("table", { name: "Side by side" });
  await expect(table.getByRole("columnheader")).toHaveText(["Zone", "Fitted, today", "Tried now"]);
  await openList(page.getByRole("combobox", { name: "The broken line" }));
  await page.getByRole("option", { name: /250 enduro/ }).click();
  await expect(page.getByRole("img", { name: /the broken line is 27 · 250 enduro/ })).toBeVisible();
  await expect(table.getByRole("columnheader")).toHaveText([
    "Zone",
    "Fitted, today",
    "Tried now",
    "27 · 250 enduro",
  ]);
  await openList(page.getByRole("combobox", { name: "Needle", exact: true }));
  await page.getByRole("option", { name: "As fitted" }).click();
  await expect(page.getByText(/All as it is: move something/)).toBeVisible();
  await expect(page.getByRole("img", { name: /^Needle in its jet/ })).toBeVisible();

  await page.getByRole("link", { name: "Map", exact: true }).click();
  await expect(
    page.getByRole("figure", { name: "Mixture over throttle and engine speed" }).locator("canvas").first(),
  ).toBeVisible();
  const figures = page.getByRole("table", { name: /^The same in figures/ });
  await expect(figures.getByRole("row")).toHaveCount(7);
  await expect(figures.getByRole("row").last()).toContainText("λ 0.");
});

test("why: each look left out in turn, and what one more would be worth", async ({ page }) => {
  await openRig(page, "/why");
  const without = page.getByRole("table", { name: /^What each look changed/ });
  await expect(without.getByRole("row")).toHaveCount(9);
  await expect(without.getByRole("row", { name: /^Idle bench/ })).toBeVisible();
  await expect(without).toContainText(/main \d+|screw/);
  const worth = page.getByRole("table", { name: "What one more look would be worth" });
  await worth.getByRole("link", { name: "A plug" }).click();
  await page.waitForURL((url) => url.pathname === `${RIG}/look`);
});

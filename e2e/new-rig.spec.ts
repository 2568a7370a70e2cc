/** Describing a machine: from nothing to its first card, and what cannot be is refused at its field. */
import { expect, test } from "./test.ts";
import { cardText, open, openRig, RIG, typeAir } from "./app.ts";

test("a rig is described from nothing to its first card", async ({ page }) => {
  await open(page, "/");
  await page.getByRole("link", { name: "New rig" }).click();
  await page.getByRole("button", { name: "Kart" }).click();
  await page.getByLabel("Name").fill("Shed kart");
  await page.getByLabel("Number plate").fill("77");
  await page.getByLabel("Main jets in the box").fill("140 to 160 by 2; 165");
  await page.getByLabel("Screw", { exact: true }).fill("1 3/4");
  await page.getByRole("combobox", { name: "How it is known to be right" }).click();
  await page.getByRole("option", { name: "It was read" }).click();
  await page.getByRole("button", { name: "Make the rig" }).click();
  await expect(page.getByText("Shed kart").filter({ visible: true }).first()).toBeVisible();
  await expect(page.getByText("No air has been read: the card is for the baseline’s day.")).toBeVisible();
  expect(await cardText(page)).toContain("1 ¾");

  await page.getByRole("link", { name: /^Air/ }).filter({ visible: true }).click();
  await typeAir(page, { temperature: "31", humidity: "35", pressure: "955" });
  await page.getByRole("button", { name: "Save this air" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("The plan for this stop");
  await page.goto("/");
  await expect(page.getByRole("link", { name: /Shed kart/ })).toBeVisible();
});

test("a needle thicker than its jet and a bore of no size are refused where they stand", async ({ page }) => {
  await openRig(page, "/build");
  await page.getByLabel("Needle jet", { exact: true }).fill("2.5");
  await page.getByRole("button", { name: "Save the rig" }).click();
  await expect(page.getByText(/needle must be thinner than its jet \(2.5 mm\)/)).toBeVisible();
  await page.getByLabel("Needle jet", { exact: true }).fill("2.68");
  await page.getByLabel("Throttle bore").fill("wide");
  await page.getByRole("button", { name: "Save the rig" }).click();
  await expect(page.getByText("“wide” is not a number.")).toBeVisible();
  await expect(page.getByLabel("Throttle bore")).toHaveValue("wide");
});

test("a cleaned main side is logged and widens the doubt at the top", async ({ page }) => {
  await openRig(page, "/why");
  const doubt = async () => {
    const row = page.getByRole("table", { name: /Each zone/ }).getByRole("row", { name: /^Top/ });
    return Number.parseFloat((await row.getByRole("cell").nth(1).textContent()) ?? "");
  };
  const before = await doubt();
  await page.goto(`${RIG}/build`);
  await page.getByRole("combobox", { name: "What was done" }).click();
  await page.getByRole("option", { name: "Main side cleaned" }).click();
  await expect(page.getByText("Brings back doubt about the main jet")).toBeVisible();
  await page.getByLabel("Words for the log").fill("Main passage blown out");
  await page.getByRole("button", { name: "Save the rig" }).click();
  await expect(page.getByText("Main passage blown out").first()).toBeVisible();
  await page.goto(`${RIG}/why`);
  await expect.poll(doubt).toBeGreaterThan(before + 1);
});

test("the needle moves with the throttle and the clip", async ({ page }) => {
  await openRig(page, "/build");
  const ring = page.getByText(/Open ring/);
  const before = await ring.textContent();
  await page.getByRole("slider", { name: "Throttle" }).press("End");
  await expect(ring).not.toHaveText(before ?? "");
  await expect(ring).toContainText("The main jet rules here.");
});

test("a part locked by the class stays as it is on every card", async ({ page }) => {
  await openRig(page, "/build");
  await page
    .getByRole("group", { name: "Locked by the rules" })
    .getByRole("button", { name: "Main" })
    .click();
  await page.getByRole("button", { name: "Save the rig" }).click();
  await page.waitForURL((url) => url.pathname === RIG);
  await page.goto(`${RIG}/air`);
  await typeAir(page, { temperature: "30", humidity: "40", pressure: "780" });
  await page.getByRole("button", { name: "Save this air" }).click();
  await expect(page.getByText(/The class rules lock main jet/)).toBeVisible();
  await expect(page.getByRole("heading", { level: 1 })).not.toContainText("main jet");
});

test("a number that changes is asked about: measured better, or another part", async ({ page }) => {
  await openRig(page, "/build");
  await page.getByLabel("Needle jet", { exact: true }).fill("2.69");
  await page.getByRole("button", { name: "Save the rig" }).click();
  const asked = page.getByRole("region", { name: "What changed" });
  await expect(asked.locator("fieldset")).toHaveCount(1);
  await expect(asked.getByText("The needle jet")).toBeVisible();
  await asked.getByRole("button", { name: "Another part" }).click();
  await asked.getByRole("button", { name: "Save it so" }).click();
  await page.waitForURL((url) => url.pathname === RIG);
  await page.goto(`${RIG}/build`);
  await expect(page.getByLabel("Needle jet", { exact: true })).toHaveValue("2.69");
});

test("ways of working go into the log, and the plan keeps to them", async ({ page }) => {
  await openRig(page, "/schools");
  await page.getByRole("button", { name: /^One at a time/ }).click();
  await expect(page.getByRole("button", { name: /^One at a time/ })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("checkbox", { name: "λ meter" }).click();
  await expect(page.getByRole("checkbox", { name: "λ meter" })).toBeChecked();
  await page.goto(RIG);
  await expect(page.getByRole("list", { name: "The plan for this stop" }).getByRole("listitem")).toHaveCount(
    1,
  );
  await page.goto(`${RIG}/log`);
  await expect(page.getByText("Changes at one stop, from now on").first()).toBeVisible();
});

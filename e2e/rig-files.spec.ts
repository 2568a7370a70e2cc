/** What comes into the rig and goes out of it as files: a box, base sheets, photos. */
import { readFileSync, writeFileSync } from "node:fs";
import { expect, onAnotherDevice, test } from "./test.ts";
import { goOn, open, openRig, RIG, rigLine, TWIN, unfold } from "./app.ts";

test("a box comes in as CSV: its bad rows are shown, and only the good ones taken on request", async ({
  page,
}, info) => {
  await openRig(page, "/box");
  const path = info.outputPath("box.csv");
  writeFileSync(path, "part;size;drilled_mm\nmain;156;\nmain;big;\nmain;150;1,63\n");
  await page.getByLabel("Box file to import").setInputFiles(path);
  const rows = page.getByRole("table", { name: "The rows that cannot be used" });
  await expect(rows).toContainText("“big” is no size");
  const mains = page.getByRole("list", { name: "Main jets" });
  await expect(mains.getByText("156")).toHaveCount(0);
  await page.getByRole("button", { name: "Take none" }).click();
  await expect(rows).toHaveCount(0);

  await page.getByLabel("Box file to import").setInputFiles(path);
  await page.getByRole("button", { name: "Take the 2 good ones" }).click();
  await expect(mains.getByText("156", { exact: true })).toBeVisible();
  await expect(mains.getByText("150 drilled to 1.63 mm")).toBeVisible();
  await page.getByRole("button", { name: "Save the box" }).click();
  await expect(page.getByText(/rows are in the fields/)).toHaveCount(0);
  await page.reload();
  await expect(mains.getByText("150 drilled to 1.63 mm")).toBeVisible();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export CSV" }).click();
  expect(readFileSync(await (await download).path(), "utf8")).toContain("main,150,1.63");
});

test("a range goes into the box in one go, and a size that is none is said at its field", async ({
  page,
}) => {
  await openRig(page, "/box");
  await page.getByRole("textbox", { name: "Main jets" }).fill("150 to 160 by 5; huge");
  await page.getByRole("button", { name: "Save the box" }).click();
  await expect(page.getByText(/^“huge” is no size/)).toBeVisible();
  await page.getByRole("textbox", { name: "Main jets" }).fill("130 to 140 by 5");
  // What is opened while the box is being saved stays open.
  await page.getByText("Paste a list").click();
  await page.getByRole("button", { name: "Save the box" }).click();
  await expect(page.getByRole("textbox", { name: "Main jets" })).toHaveValue("130, 135, 140");
  const mains = page.getByRole("list", { name: "Main jets" });
  await expect(mains.getByRole("listitem")).toHaveText([/^130/, /^135/, /^140/]);
  // A list as a spreadsheet has it is pasted beside it.
  await page.getByLabel("Part and size: a row a jet").fill("main\t145\nmain\t147,5");
  await page.getByRole("button", { name: "Take these jets" }).click();
  await expect(page.getByText(/^2 rows are in the fields/)).toBeVisible();
  await expect(mains.getByRole("listitem")).toHaveText([/^130/, /^135/, /^140/, /^145/, /^147.5/]);
});

test("everything goes back to base as one entry, and the sheet travels as a file", async ({ page }, info) => {
  await openRig(page, "/base");
  await page.getByRole("button", { name: "Put everything back to base" }).click();
  await expect(page.getByText("Everything is at its base.")).toBeVisible();
  await page.getByRole("button", { name: "Save the sheet" }).click();
  await expect(page.getByText("Saved, and found again by E 38-2.")).toBeVisible();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export sheets" }).click();
  const file = JSON.parse(readFileSync(await (await download).path(), "utf8")) as { sheets: object[] };
  const path = info.outputPath("sheets.json");
  writeFileSync(
    path,
    JSON.stringify({ ...file, sheets: [{ ...file.sheets[0], stamp: "Z 9" }, { stamp: "bad" }] }),
  );
  await page.getByLabel("Base sheets to import").setInputFiles(path);
  await page.getByRole("button", { name: "Take the 1 good ones" }).click();
  await expect(page.getByText("Kept on this device: E 38-2, Z 9.")).toBeVisible();

  // Found again by its number on another rig.
  await goOn(page, "/rigs/rig:demo-kart/base");
  await page.getByLabel("Number stamped on it").fill("Z 9");
  await page.getByRole("button", { name: "Take it" }).click();
  await expect(page.getByLabel("Where it comes from")).toHaveValue("own bench, winter");
  // What was found for one rig is not another one's.
  await goOn(page, `${TWIN}/base`);
  await expect(page.getByLabel("Number stamped on it")).toHaveValue("T 32-4");
  await goOn(page, `${RIG}/log`);
  await expect(page.getByText("back to base", { exact: true }).first()).toBeVisible();
});

test("a photo taken at a teardown leaves with the export and comes back with it", async ({
  page,
  browser,
}, info) => {
  await openRig(page, "/teardown?step=mainJet");
  const notOne = info.outputPath("notes.jpg");
  writeFileSync(notOne, "no photo at all");
  await page.getByLabel("Photos of this part").setInputFiles(notOne);
  await expect(page.getByRole("alert")).toContainText("no photo that this browser can read");
  const picture = info.outputPath("jet.png");
  await page.screenshot({ path: picture });
  await page.getByLabel("Photos of this part").setInputFiles(picture);
  await expect(page.getByAltText("New photo of main jet")).toBeVisible();
  await page.getByLabel("As stamped").fill("15x");
  await page.getByRole("button", { name: "It is out" }).click();
  await expect(page.getByText("“15x” is not a number.")).toBeVisible();
  await page.getByLabel("As stamped").fill("152");
  await page.getByRole("button", { name: "It is out" }).click();
  await expect(page.getByRole("heading", { name: "Needle jet" })).toBeVisible();
  const photo = page.getByRole("list", { name: "Parts tray" }).getByRole("img");
  await expect(photo).toBeVisible();
  const width = await photo.evaluate((img: HTMLImageElement) => img.naturalWidth);
  expect(width).toBeGreaterThan(100);

  await goOn(page, "/data/rigs");
  const download = page.waitForEvent("download");
  await rigLine(page).getByRole("button", { name: "Export log" }).click();
  const file = info.outputPath("log.zip");
  await (await download).saveAs(file);
  const other = await onAnotherDevice(browser);
  await open(other, new URL("/data/rigs", page.url()).href);
  await rigLine(other).getByRole("button", { name: "Delete" }).click();
  await other.getByRole("button", { name: "Delete it" }).click();
  await expect(rigLine(other)).toHaveCount(0);
  await other.getByRole("link", { name: "Backup and import" }).click();
  await other.getByLabel("File to import").setInputFiles(file);
  await other.getByRole("button", { name: "Import", exact: true }).click();
  await expect(other.getByText(/Imported \d+ entries, 1 new rig/)).toBeVisible();
  await other.goto(new URL(`${RIG}/teardown`, page.url()).href);
  const again = other.getByRole("list", { name: "Parts tray" }).getByRole("img");
  await expect(again).toBeVisible();
  expect(await again.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(width);
  await other.context().close();
});

test("several carburettors, each its own, are described on one bench", async ({ page }) => {
  await openRig(page, "/build");
  await unfold(page, "Machine", "How many carburettors", "Needle and jet");
  await page.getByLabel("Cylinders").fill("2");
  await page.getByLabel("Carburettors", { exact: true }).fill("2");
  await page.getByRole("button", { name: "Each its own" }).click();
  await page.getByRole("button", { name: "No. 2" }).click();
  await page.getByLabel("Needle jet", { exact: true }).fill("2.4");
  await page.getByRole("button", { name: "Save the rig" }).click();
  await expect(page.getByText(/needle must be thinner than its jet \(2.4 mm\)/)).toBeVisible();
  await page.getByLabel("Needle jet", { exact: true }).fill("2.7");
  await page.getByRole("button", { name: "Save the rig" }).click();
  await page.getByRole("button", { name: "Save it so" }).click();
  await expect(page.getByText("Saved: the machine as it is from now on.")).toBeVisible();
  await page.reload();
  await unfold(page, "Needle and jet");
  await page.getByRole("button", { name: "No. 2" }).click();
  await expect(page.getByLabel("Needle jet", { exact: true })).toHaveValue("2.7");
});

test("assumed values are named on the card until they are confirmed", async ({ page }) => {
  await open(page, "/rigs/rig:demo-twin/build");
  await open(page, "/rigs/rig:demo-atv/build");
  await expect(page.getByText(/^\d+ assumed$/).first()).toBeVisible();
  await page.getByRole("button", { name: "Open all" }).click();
  await expect(page.getByText("Assumed: not measured yet.").first()).toBeVisible();
  await page
    .getByRole("button", { name: /assumed: these are right/ })
    .first()
    .click();
  await expect(page.getByText("Assumed: not measured yet.")).not.toHaveCount(0);
  await goOn(page, "/new");
  await page.getByRole("button", { name: /^Kart/ }).click();
  for (const question of ["How big is it?", "What is in it now?", /known to be right/, /In which air/]) {
    await expect(page.getByRole("heading", { level: 1, name: question })).toBeVisible();
    await page.getByRole("button", { name: "Next" }).click();
  }
  await page.getByRole("button", { name: "Make the rig" }).click();
  await expect(page.getByText(/Depends most on values not measured yet:/)).toBeVisible();
  // What the card depends on most is measured on a page of its own, and drops off the list.
  await page.getByRole("link", { name: "Measure it" }).click();
  const list = page.getByRole("list", { name: "What the card depends on" }).getByRole("listitem");
  const first = await list.first().innerText();
  await page.getByRole("link", { name: "Skip" }).click();
  const back = page.getByRole("link", { name: first.split(":")[0] ?? "" });
  await back.click();
  await expect(back).toHaveAttribute("aria-current", "true");
  const assumed = await page.getByText(/^Assumed so far/).innerText();
  await page.getByRole("button", { name: "It is measured" }).click();
  await expect(page.getByText("Type a number here.").first()).toBeVisible();
  await page
    .getByRole("main")
    .getByRole("textbox")
    .first()
    .fill(/[\d.]+/.exec(assumed)?.[0] ?? "");
  await page.getByRole("button", { name: "It is measured" }).click();
  await expect(list.first()).not.toHaveText(first);
});

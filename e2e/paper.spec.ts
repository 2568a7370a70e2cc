/** What goes on paper, or out as a picture: whole, on one page of its size, and nothing to press on it. */
import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { KART, openRig, RIG, TWIN } from "./app.ts";
import { expect, test } from "./test.ts";

/** Pages of a PDF and their size in points, as its own objects say. */
async function printed(page: Page, what: "card" | "log"): Promise<{ pages: number; size: string }> {
  await page.evaluate((name) => document.body.classList.add(name), `print-${what}`);
  const text = (await page.pdf({ preferCSSPageSize: true, format: "A4" })).toString("latin1");
  const boxes = [...text.matchAll(/\/MediaBox\s*\[([\d. ]+)\]/g)].map(([, box = ""]) => box.trim());
  const size = boxes[0]
    ?.split(/\s+/)
    .slice(2)
    .map((points) => Math.round(Number(points) / 2.8346))
    .join(" × ");
  return { pages: boxes.length, size: `${size} mm` };
}

for (const rig of [RIG, TWIN, KART])
  test(`the card of ${rig.split("-")[1]} fits on one A6`, async ({ page }) => {
    await page.goto(rig);
    await expect(page.getByRole("button", { name: "Print card" }).first()).toBeVisible();
    expect(await printed(page, "card")).toEqual({ pages: 1, size: "105 × 148 mm" });
    await page.evaluate(() => window.dispatchEvent(new Event("beforeprint")));
    await page.emulateMedia({ media: "print" });
    const card = page.getByRole("article", { name: "The card, for the air box" });
    await expect(card).toBeVisible();
    await expect(card.getByText(/hPa/)).toBeVisible();
    await expect(card.getByRole("img", { name: "Mixture along the throttle" })).toBeVisible();
    await expect(page.getByRole("button").filter({ visible: true })).toHaveCount(0);
    const clipped = await card.evaluate((element) =>
      [element, ...element.querySelectorAll("*:not(svg *)")].some(
        (one) => one.scrollWidth > one.clientWidth + 1 && getComputedStyle(one).display !== "inline",
      ),
    );
    expect(clipped).toBe(false);
  });

for (const [place, words] of [
  ["walk-round", "Needle and seat"],
  ["base", "Base setting"],
] as const)
  test(`${place} prints on one A4, without anything to press`, async ({ page }) => {
    await openRig(page, `/${place}`);
    expect(await printed(page, "log")).toEqual({ pages: 1, size: "210 × 297 mm" });
    await page.evaluate(() => window.dispatchEvent(new Event("beforeprint")));
    await page.emulateMedia({ media: "print" });
    await expect(page.getByText(words).filter({ visible: true }).first()).toBeVisible();
    await expect(page.getByText(/27 · 250 enduro/).filter({ visible: true })).toBeVisible();
    await expect(page.getByRole("button").filter({ visible: true })).toHaveCount(0);
    await expect(page.getByRole("textbox").filter({ visible: true })).toHaveCount(0);
  });

test("the heats of a day print on one A4, and a sheet that is printed keeps what was typed", async ({
  page,
}) => {
  await page.goto(`${KART}/day`);
  await expect(page.getByRole("list", { name: "The heats" })).toBeVisible();
  expect(await printed(page, "log")).toEqual({ pages: 1, size: "210 × 297 mm" });
  await openRig(page, "/base");
  await page.getByLabel("Where it comes from").fill("manual, page 41");
  await page.evaluate(() => window.dispatchEvent(new Event("beforeprint")));
  await page.evaluate(() => window.dispatchEvent(new Event("afterprint")));
  await expect(page.getByLabel("Where it comes from")).toHaveValue("manual, page 41");
});

test("the card is saved as a picture, or handed to the phone’s own share sheet", async ({ page }, info) => {
  await openRig(page);
  const button = page.getByRole("button", { name: "Card as picture" });
  const download = page.waitForEvent("download");
  await button.click();
  const path = info.outputPath("card.png");
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^tamis-card-250-enduro-\d{4}-\d\d-\d\d\.png$/);
  await file.saveAs(path);
  const png = readFileSync(path);
  expect(png.subarray(1, 4).toString()).toBe("PNG");
  // Three dots a point, and not an empty sheet.
  expect(png.readUInt32BE(16)).toBeGreaterThan(1000);
  expect(png.length).toBeGreaterThan(50_000);

  await page.evaluate(() => {
    Object.assign(navigator, {
      canShare: () => true,
      share: ({ files: [one] }: { files: File[] }) => {
        document.title = `shared ${one?.type} ${one?.name}`;
        return Promise.resolve();
      },
    });
  });
  await button.click();
  await expect(page).toHaveTitle(/shared image\/png tamis-card-250-enduro/);
});

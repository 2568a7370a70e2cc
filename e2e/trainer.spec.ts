/** The plug trainer: plugs are drawn, called by key and by tap, and what comes of it stays; and Look's drawn plug. */
import { expect, test } from "./test.ts";
import { open, openRig } from "./app.ts";

/** How bright a drawn picture is on the whole; 0 before it is drawn. */
const BRIGHTNESS = (canvas: Element): number => {
  const place = canvas as HTMLCanvasElement;
  const { data } = place.getContext("2d")!.getImageData(0, 0, place.width, place.height);
  return data.reduce((sum, value) => sum + value, 0) / data.length;
};

test("a round of twenty is called by keys and taps, is kept over a reload, and is in no export", async ({
  page,
}) => {
  await open(page, "/");
  await page.getByRole("link", { name: "Train your eye" }).click();
  await page.getByRole("button", { name: "All three" }).click();
  await page.getByRole("button", { name: "Start" }).click();
  const picture = page.getByRole("img", { name: /^Plug 1, / });
  await expect.poll(() => picture.evaluate(BRIGHTNESS)).toBeGreaterThan(70);
  await page.keyboard.press("2");
  await expect(page.getByText("Plug 2 of 20")).toBeVisible();
  await page.getByRole("radio", { name: /cocoa/ }).click();
  for (let i = 3; i <= 20; i += 1) {
    await expect(page.getByText(`Plug ${i} of 20`)).toBeVisible();
    await page.keyboard.press(String((i % 7) + 1));
  }
  await expect(page.getByRole("heading", { name: /^\d+ of 20 right$/ })).toBeVisible();
  await expect(page.getByRole("table", { name: /What was called what/ })).toBeVisible();
  await expect(page.getByText("Round kept.")).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^1 round, .* right\./)).toBeVisible();

  const book = await page.evaluate(
    () =>
      new Promise<string>((resolve, reject) => {
        const request = indexedDB.open("tamis");
        request.onerror = () => reject(new Error("no book"));
        request.onsuccess = () => {
          const keys = request.result.transaction("log").objectStore("log").getAllKeys();
          keys.onsuccess = () => resolve(JSON.stringify(keys.result));
        };
      }),
  );
  expect(book).not.toContain("trainer");

  await page.getByRole("button", { name: "Forget these rounds" }).click();
  await expect(page.getByText("The rounds are gone.")).toBeVisible();
  await expect(page.getByText(/^1 round, /)).toBeHidden();
});

test("Look shows how the chosen tone looks on a plug, and leads to the trainer", async ({ page }) => {
  await openRig(page, "/look");
  await page.getByRole("radio", { name: /^chalk/ }).click();
  const chalk = page.getByRole("img", { name: "A drawn plug, chalk at: porcelain, near its root" });
  await expect.poll(() => chalk.evaluate(BRIGHTNESS)).toBeGreaterThan(70);
  const pale = await chalk.evaluate(BRIGHTNESS);
  await page.getByRole("radio", { name: /^soot/ }).click();
  const soot = page.getByRole("img", { name: /^A drawn plug, soot/ });
  await expect.poll(() => soot.evaluate(BRIGHTNESS)).toBeLessThan(pale - 10);
  await page.getByRole("link", { name: "Train your eye" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Plug trainer" })).toBeVisible();
});

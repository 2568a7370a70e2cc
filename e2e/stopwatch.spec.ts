/** Runs by the stopwatch: timed, typed, compared between two settings, and said to the sieve. */
import type { Page } from "@playwright/test";
import { expect, test } from "./test.ts";
import { expectAccessible, openRig, RIG, goOn } from "./app.ts";

async function typeRun(page: Page, time: string) {
  const runs = page.getByRole("list", { name: /^Runs/ });
  const before = (await runs.isVisible()) ? await runs.innerText() : "";
  await page.getByLabel("Time", { exact: true }).fill(time);
  await page.getByRole("button", { name: "Save this run" }).click();
  await expect.poll(async () => ((await runs.isVisible()) ? runs.innerText() : "")).not.toBe(before);
}

test(
  "two settings are run, compared, and the open change is answered by the clock",
  { tag: "@phone" },
  async ({ page }) => {
    await openRig(page, "/stopwatch");
    await expect(page.getByText(/Closed course only/)).toBeVisible();
    await page.getByRole("button", { name: "Start" }).click();
    await page.waitForTimeout(300);
    await page.getByRole("button", { name: "Stop", exact: true }).click();
    await expect(page.getByLabel("Time", { exact: true })).toHaveValue(/^0\.[3-9]\d$|^\d\.\d\d$/);
    await page.getByRole("button", { name: "Save this run" }).click();
    await expect(page.getByText("A speed in km/h.")).toBeVisible();
    await page.getByLabel("To, km/h").fill("80");
    for (const time of ["8,42", "8.38", "8.45"]) await typeRun(page, time);
    await expectAccessible(page);

    // The open change is put back: runs of what was fitted before stand against it.
    await goOn(page, RIG);
    await page
      .getByRole("main")
      .getByRole("button", { name: /Put back 155/ })
      .click();
    await expect(page.getByRole("main").getByRole("button", { name: /Put back/ })).toHaveCount(0);
    await goOn(page, `${RIG}/stopwatch`);
    await expect(page.getByRole("list", { name: /^Runs/ })).toBeVisible();
    await page.getByLabel("To, km/h").fill("80");
    for (const time of ["8.11", "8.15", "8.09"]) await typeRun(page, time);
    await expect(page.getByRole("heading", { level: 1 })).toHaveText(/^The newer setting is better: /);
    await expect(page.getByRole("list", { name: "Runs: 0 to 80 km/h" }).getByRole("listitem")).toHaveCount(2);
  },
);

test("a rolling start by places alone is not timed, and what to do is said", async ({ page }) => {
  // A receiver that tells no speed, of a machine that does 43 km/h as it is armed.
  await page.addInitScript(() => {
    navigator.geolocation.watchPosition = (told) => {
      const startMs = Date.now();
      let tick = 0;
      const timer = setInterval(() => {
        const seconds = tick++;
        const metres = 12 * seconds + 0.8 * seconds * seconds;
        const coords = { latitude: 45.1 + metres / 111_195, longitude: 6.2, accuracy: 5, altitude: 400 };
        told({
          coords: { ...coords, altitudeAccuracy: 6, heading: null, speed: null },
          timestamp: startMs + 1000 * seconds,
        } as GeolocationPosition);
      }, 250);
      return timer as unknown as number;
    };
  });
  await openRig(page, "/stopwatch");
  await page.getByRole("button", { name: "A distance" }).click();
  await page.getByRole("button", { name: /^Satellites/ }).click();
  await page.getByRole("textbox", { name: /^Over/ }).fill("100");
  await page.getByRole("button", { name: "Arm by satellites" }).click();
  await expect(
    page.getByText("You were rolling already. Stop, stand still for two seconds, then go."),
  ).toBeVisible();
  await expect(page.getByRole("group", { name: "By satellites" })).toHaveCount(0);
});

/** What the tests share: the app as a tuner meets it on a first visit. */
import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

export const RIG = "/rigs/rig:demo-enduro";
export const TWIN = "/rigs/rig:demo-twin";
export const ATV = "/rigs/rig:demo-atv";

/** Opens a page on a device whose first visit has been. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
}

export async function openRig(page: Page, place = ""): Promise<void> {
  await open(page, `${RIG}${place}`);
  await expect(page.getByRole("main").getByRole("heading", { level: 1 })).toBeVisible();
}

/** @returns the card's value of a part as shown: on the phone the handle, else the card itself */
export async function cardText(page: Page): Promise<string> {
  const handle = page.getByRole("button", { name: "Open the card" });
  // Only one of the two is there at a width, and neither before the first advice.
  return handle.or(page.getByRole("complementary", { name: "The card" })).innerText();
}

/** Waits until what is half done lies in the browser's storage: a hand is slower than a script that reloads. */
export async function untilKept(page: Page, words: string): Promise<void> {
  const stored = () =>
    page.evaluate(
      () =>
        new Promise<string>((resolve) => {
          const opening = indexedDB.open("tamis");
          opening.onsuccess = () => {
            const all = opening.result.transaction("log").objectStore("log").getAll();
            all.onsuccess = () => {
              opening.result.close();
              resolve(JSON.stringify(all.result));
            };
          };
        }),
    );
  await expect.poll(stored).toContain(words);
}

/** Opens sections of the rig editor: they are folded until they are wanted. */
export async function unfold(page: Page, ...titles: readonly string[]): Promise<void> {
  for (const title of titles) await page.getByRole("heading", { level: 2, name: title, exact: true }).click();
}

/** The enduro among the rigs on the Data page. */
export const rigLine = (page: Page) => page.getByRole("group", { name: "250 enduro" });

export async function typeAir(
  page: Page,
  air: { temperature: string; humidity: string; pressure: string },
): Promise<void> {
  await page.getByLabel("Temperature").fill(air.temperature);
  await page.getByLabel("Humidity", { exact: true }).fill(air.humidity);
  await page.getByLabel("Pressure", { exact: true }).fill(air.pressure);
}

/**
 * No violation of WCAG 2.2 AA that a machine can find, on the screen itself.
 * @param part - "page" takes the frame around it too: once is enough
 */
export async function expectAccessible(page: Page, part: "screen" | "page" = "screen"): Promise<void> {
  // One frame only: without a second page to put the parts together in, it takes a third of the time.
  const builder = new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ["violations"] })
    .withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"]);
  const { violations } = await (part === "page" ? builder : builder.include("main")).analyze();
  expect(
    violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(" | ")}`),
  ).toEqual([]);
}

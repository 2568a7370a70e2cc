/** What the tests share: the app as a tuner meets it on a first visit. */
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import AxeBuilder from "@axe-core/playwright";
import { expect, type Locator, type Page } from "@playwright/test";

export const RIG = "/rigs/rig:demo-enduro";
export const TWIN = "/rigs/rig:demo-twin";
export const KART = "/rigs/rig:demo-kart";
export const ATV = "/rigs/rig:demo-atv";

/** Opens a page on a device whose first visit has been. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
}

/** Goes on to another screen as a link would: the app is not loaded anew. */
export async function turnTo(page: Page, path: string): Promise<void> {
  await expect.poll(() => page.evaluate(() => "__reactRouterDataRouter" in window)).toBe(true);
  await page.evaluate(async (to) => {
    const { __reactRouterDataRouter: router } = window as unknown as {
      __reactRouterDataRouter: { navigate: (path: string) => Promise<void> };
    };
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    await router.navigate(to);
  }, path);
}

/** The same to another path: it stands once its heading has the focus. */
export async function goOn(page: Page, path: string): Promise<void> {
  await turnTo(page, path);
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).toBe("H1");
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

/** Opens a select by its key: a machine that stands still between press and release picks what the list lays there. */
export async function openList(list: Locator): Promise<void> {
  await list.press("ArrowDown");
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

/** @returns what in the work a glove would miss: targets under 48 px, or nearer to another than 8 px */
export const cramped = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const TARGETS =
      "main :is(button, a, summary, textarea, [role=combobox], input:not([type=hidden], [type=checkbox], [type=radio], [type=file], [type=range]), label:has(input[type=checkbox]))";
    const isInText = (target: Element) =>
      target.matches("a") && target.closest("p, li, dd, caption, .caution") !== null;
    const targets = [...document.querySelectorAll(TARGETS)].filter(
      (target) =>
        target.checkVisibility({ visibilityProperty: true, contentVisibilityAuto: true }) &&
        !isInText(target) &&
        target.closest("svg") === null &&
        target.getBoundingClientRect().width > 1,
    );
    // A field is pressed anywhere in its frame.
    const frame = (target: Element) => target.closest(".MuiOutlinedInput-root") ?? target;
    const frames = [...new Set(targets.map(frame))];
    const name = (target: Element) =>
      (target.getAttribute("aria-label") ?? target.textContent).trim().slice(0, 30) || target.tagName;
    const found: string[] = [];
    for (const [i, one] of frames.entries()) {
      const a = one.getBoundingClientRect();
      if (Math.min(a.width, a.height) < 47.5) found.push(`${name(one)}: ${a.width} × ${a.height}`);
      for (const other of frames.slice(i + 1)) {
        if (one.contains(other) || other.contains(one)) continue;
        const b = other.getBoundingClientRect();
        const apart = Math.max(a.left - b.right, b.left - a.right, a.top - b.bottom, b.top - a.bottom);
        if (apart < 7.5) found.push(`${name(one)} – ${name(other)}: ${apart} apart`);
      }
    }
    return found;
  });

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

/** It is handed to every page anew: the small build takes half the time on its way. */
const axeSource = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

/**
 * No violation of WCAG 2.2 AA that a machine can find, on the screen itself.
 * @param part - "page" takes the frame around it too: once is enough
 */
export async function expectAccessible(page: Page, part: "screen" | "page" = "screen"): Promise<void> {
  // One frame only: without a second page to put the parts together in, it takes a third of the time.
  const builder = new AxeBuilder({ page, axeSource })
    .setLegacyMode()
    .options({ resultTypes: ["violations"] })
    .withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"]);
  const { violations } = await (part === "page" ? builder : builder.include("main")).analyze();
  expect(
    violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(" | ")}`),
  ).toEqual([]);
}

/** One current picture of each main view, from the demo data: `npm run build:demo`, then `npm run screenshots`. */
import { mkdirSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { chromium, type Page } from "@playwright/test";
import { LAUNCH, serveBuild } from "../e2e/browser.ts";
import { evening } from "../e2e/test.ts";

const PORT = 4493;
const ORIGIN = `http://localhost:${PORT}`;
const RIG = "/rigs/rig:demo-enduro";
const TWIN = "/rigs/rig:demo-twin";
const folder = fileURLToPath(new URL("../docs/screenshots/", import.meta.url));

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly phone?: true;
  readonly night?: true;
  readonly before?: (page: Page) => Promise<void>;
}

const takeAir = async (page: Page) => {
  await page.getByRole("button", { name: "From a weather station" }).click();
  await page.getByRole("button", { name: "Simulated weather station" }).click();
  // Ten minutes of its day: the trend is known by then.
  await page.getByText(/steady|an hour$/).waitFor({ timeout: 30_000 });
  await page.getByRole("button", { name: "Take this reading" }).click();
};
const chooseTones = async (page: Page) => {
  await page.getByRole("radio", { name: /cocoa/ }).click();
  await page.getByRole("button", { name: /^Ring/ }).click();
  await page.getByRole("radio", { name: /umber/ }).click();
};
const readRide = async (page: Page) => {
  await page.getByRole("button", { name: "Simulated logger" }).click();
  await page.getByRole("button", { name: "Read the file" }).click();
  const chart = page.getByRole("figure").first();
  await chart.evaluate((place) => place.scrollIntoView({ block: "end" }));
  await chart.locator("svg").waitFor();
  await page.waitForTimeout(500);
};
const newKart = async (page: Page) => {
  await page.getByRole("button", { name: /^Kart/ }).click();
  await page.getByRole("button", { name: "Next" }).click();
};
const walkIdle = async (page: Page) => {
  const readings = {
    "0.75": 1590,
    "1": 1652,
    "1.25": 1688,
    "1.5": 1702,
    "1.75": 1699,
    "2": 1671,
    "2.25": 1624,
  };
  await page.getByRole("button", { name: "3 Walk" }).click();
  for (const [turns, rpm] of Object.entries(readings)) {
    await page.getByLabel("Turns out").fill(turns);
    await page.getByLabel("Settled at, rpm").fill(String(rpm));
    await page.getByRole("button", { name: "Add", exact: true }).click();
  }
};
const readPlugs = async (page: Page) => {
  await page.getByRole("button", { name: "Lamp" }).click();
  await page.getByRole("button", { name: "Start" }).click();
  for (const tone of ["3", "4", "5"]) await page.keyboard.press(tone);
  await page.waitForTimeout(1500);
};
/** A game of the first level: ridden, read, put right, debriefed. */
const playPractice = async (page: Page) => {
  const tap = (name: string | RegExp) =>
    page.getByRole("button", { name }).filter({ visible: true }).first().click();
  await tap("Play it");
  await page.getByLabel("Hold").click();
  await page.getByRole("option", { name: /^Full throttle/ }).click();
  await tap("Ride it");
  await tap(/^Plug out/);
  await page.getByRole("link", { name: "Write down its tone", exact: true }).click();
  await page.getByRole("radio", { name: /^umber/ }).click();
  await tap("Save this look");
  await page.getByRole("heading", { level: 1, name: /^1\. / }).waitFor();
  await page.goto(`${page.url().replace(/practice$/, "")}change?main=170`);
  await tap("It is fitted");
  await page.getByRole("heading", { level: 1, name: /^1\. / }).waitFor();
  await tap("Ride again");
  await page
    .getByText(/^93 min/)
    .filter({ visible: true })
    .first()
    .waitFor();
  await tap(/^Done/);
  await page.getByRole("table", { name: /Four players/ }).waitFor({ timeout: 60_000 });
};
/** What the judge works out of a day, a way, a list. */
const drawn = (page: Page) => page.getByRole("table", { name: /^What to fit/ }).waitFor();
const planned = async (page: Page) => {
  const worked = page.getByText(/all day|nowhere above|draws of air and engine/);
  await worked.filter({ visible: true }).first().waitFor({ timeout: 30_000 });
  await page.waitForTimeout(1500);
};
const readHints = async (page: Page) => {
  await page.getByRole("button", { name: "I know all that" }).click();
  await page.getByRole("complementary", { name: "Hints" }).waitFor({ state: "hidden" });
};
const openNeedle = async (page: Page) => {
  await page.getByRole("heading", { level: 2, name: "Needle and jet" }).click();
  await page.getByText("Paste a table").scrollIntoViewIfNeeded();
};
const lookThrough = async (page: Page) => {
  for (let back = 0; back < 3; back += 1) await page.getByRole("slider").press("ArrowLeft");
  await page.getByRole("button", { name: /^main jet 155, clip 2nd/ }).click();
  await page.getByRole("region", { name: "This hole" }).waitFor();
};

const SHOTS: readonly Shot[] = [
  { name: "paddock", path: "/" },
  { name: "today", path: RIG, before: readHints },
  { name: "today-phone", path: RIG, phone: true, before: readHints },
  { name: "air", path: `${RIG}/air`, before: takeAir },
  { name: "look", path: `${RIG}/look?zone=top`, before: chooseTones },
  { name: "idle", path: `${RIG}/idle`, before: walkIdle },
  { name: "trainer", path: "/trainer", before: readPlugs },
  { name: "cylinders", path: `${TWIN}/cylinders` },
  { name: "rig", path: `${RIG}/build`, before: openNeedle },
  { name: "walk-round", path: "/rigs/rig:demo-atv/walk-round" },
  { name: "logger", path: `${RIG}/logger`, before: readRide },
  { name: "sieve", path: `${RIG}/sieve`, before: lookThrough },
  { name: "new-rig-phone", path: "/new", phone: true, before: newKart },
  { name: "why-night", path: `${RIG}/why`, night: true },
  { name: "practice", path: "/practice?game=2.topRich.65008", before: playPractice },
  { name: "day", path: "/rigs/rig:demo-kart/day", before: planned },
  { name: "route", path: `${RIG}/route`, before: planned },
  { name: "chart", path: `${RIG}/chart`, before: drawn },
  { name: "handbook", path: "/handbook/idle" },
];

mkdirSync(folder, { recursive: true });
const server = await serveBuild(PORT);
const browser = await chromium.launch(LAUNCH);
for (const { name, path, phone, night, before } of SHOTS) {
  const context = await browser.newContext({
    viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    colorScheme: night ? "dark" : "light",
    serviceWorkers: "block",
    ...(phone && { isMobile: true, hasTouch: true }),
  });
  await context.clock.setSystemTime(evening());
  const page = await context.newPage();
  await page.goto(`${ORIGIN}${path}`);
  await page.getByRole("heading", { level: 1 }).waitFor();
  await page.waitForTimeout(1500);
  await before?.(page);
  await page.waitForTimeout(700);
  await page.screenshot({ path: `${folder}${name}.png` });
  console.log(`docs/screenshots/${name}.png`);
  await context.close();
}
await browser.close();
server.kill();

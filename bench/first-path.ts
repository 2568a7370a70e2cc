/**
 * The way of a new tuner with a phone, by script: `npm run build:demo`, then `npm run bench:path`. From nothing to a
 * card, from a ride to the next plan, from an air to the card: seconds, taps, typed fields. What a script does not
 * need, reading and finding, is not in it. Prints what it measured; asserts nothing.
 */
import { chromium, devices, type Locator, type Page } from "@playwright/test";
import { LAUNCH, serveBuild } from "../e2e/browser.ts";

const PORT = 4496;
const SLOWER = 4;

class Hand {
  private started = performance.now();
  private taps = 0;
  private fields = 0;
  private readonly page: Page;
  constructor(page: Page) {
    this.page = page;
  }

  begin(): void {
    this.started = performance.now();
    this.taps = 0;
    this.fields = 0;
  }
  async press(target: Locator): Promise<void> {
    this.taps += 1;
    await target.filter({ visible: true }).first().click();
  }
  tap(name: string | RegExp): Promise<void> {
    return this.press(this.page.getByRole("button", { name, exact: typeof name === "string" }));
  }
  async type(label: string | RegExp, text: string): Promise<void> {
    this.fields += 1;
    await this.page.getByLabel(label, { exact: typeof label === "string" }).fill(text);
  }
  done(what: string): void {
    const seconds = (performance.now() - this.started) / 1000;
    console.log(`${what}: ${seconds.toFixed(1)} s by script, ${this.taps} taps, ${this.fields} typed fields`);
  }
}

const server = await serveBuild(PORT);
const browser = await chromium.launch(LAUNCH);
try {
  const context = await browser.newContext({
    ...devices["Pixel 7"],
    viewport: { width: 390, height: 844 },
    serviceWorkers: "block",
    baseURL: `http://localhost:${PORT}`,
  });
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
  console.log(`a phone, its processor ${SLOWER} times slower than this machine's`);
  const hand = new Hand(page);
  const card = page.getByRole("button", { name: "Open the card" });
  await page.goto("/");
  await page.getByRole("heading", { name: "Paddock" }).waitFor();

  hand.begin();
  await hand.press(page.getByRole("link", { name: "Set up my rig" }));
  await hand.tap(/^Kart/);
  await hand.type("Displacement of one cylinder", "100");
  await hand.type("Throttle bore", "28");
  await hand.tap("Next");
  await hand.type("Main jet, as stamped", "142.5");
  await hand.type("Pilot jet, as stamped", "58");
  await hand.tap("Next");
  await hand.tap(/^It ran well/);
  await hand.tap("Next");
  await hand.tap(/^Like today/);
  await hand.type(/^Temperature/, "31");
  await hand.type(/^Height above the sea/, "420");
  await hand.tap("Next");
  await hand.tap("Plugs");
  await hand.tap("Make the rig");
  await card.getByText("142.5").waitFor();
  hand.done("from nothing to a card");

  await hand.tap("I know all that");
  hand.begin();
  await hand.press(page.getByRole("link", { name: /^Air/ }));
  await hand.tap(/^Barometer here/);
  await hand.type("Temperature", "12");
  await hand.type("Humidity", "35");
  await hand.type("Pressure", "955");
  const before = await card.innerText();
  await hand.tap("Save this air");
  await page.getByRole("button", { name: "Back from a ride?" }).waitFor();
  hand.done(`from an air to the card (${before.replace(/\s+/g, " ")})`);

  hand.begin();
  await hand.tap("Back from a ride?");
  const report = page.getByRole("region", { name: "How did it pull?" });
  const zone = (name: RegExp) => report.getByRole("group", { name }).last();
  const plan = page.getByRole("heading", { level: 1 });
  const was = await plan.innerText();
  for (const [name, felt] of [
    [/^Idle/, "Clean"],
    [/^Middle/, "Clean"],
    [/^Top/, "Rich"],
  ] as const) {
    await hand.press(zone(name).getByRole("button", { name: felt, exact: true }));
    await page.getByText(new RegExp(`^Logged: .* ${felt.toLowerCase()}\\.$`)).waitFor();
  }
  await page.waitForFunction(() => document.querySelector("[aria-busy='true']") === null);
  hand.done(`from a ride to the next step (“${was}” → “${await plan.innerText()}”)`);
} finally {
  await browser.close();
  server.kill();
}

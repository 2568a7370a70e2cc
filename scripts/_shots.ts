import { chromium } from "@playwright/test";
import { LAUNCH, serveBuild } from "../e2e/browser.ts";
const server = await serveBuild(4493);
const browser = await chromium.launch(LAUNCH);
const shots = JSON.parse(process.argv[2] ?? "[]") as {
  name: string;
  path: string;
  phone?: boolean;
  night?: boolean;
  full?: boolean;
  steps?: string;
}[];
for (const s of shots) {
  const context = await browser.newContext({
    viewport: s.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    colorScheme: s.night ? "dark" : "light",
    serviceWorkers: "block",
    ...(s.phone && { isMobile: true, hasTouch: true }),
  });
  const page = await context.newPage();
  page.on("pageerror", (e) => console.log("PAGEERROR", e.message));
  page.on("console", (m) => {
    if (m.type() === "error") console.log("CONSOLE", m.text().slice(0, 300));
  });
  await page.goto(`http://localhost:4493${s.path}`);
  await page.getByRole("heading", { level: 1 }).waitFor();
  await page.waitForTimeout(1800);
  if (s.steps) {
    const f = new Function("page", `return (async()=>{${s.steps}})()`);
    await f(page);
    await page.waitForTimeout(900);
  }
  await page.screenshot({ path: `/tmp/shot-${s.name}.png`, fullPage: s.full ?? false });
  await context.close();
  console.log(s.name);
}
await browser.close();
server.kill();

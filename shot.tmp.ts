import { chromium } from "@playwright/test";
import { LAUNCH, serveBuild } from "./e2e/browser.ts";
const shots: [string, string, number, number][] = JSON.parse(process.argv[2] ?? "[]");
const server = await serveBuild(4555);
const browser = await chromium.launch(LAUNCH);
try {
  const ctx = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: "http://localhost:4555", serviceWorkers: "block" });
  const page = await ctx.newPage();
  await page.goto("/"); await page.getByRole("link", { name: /250 enduro/ }).waitFor();
  for (const [path, name, w, h] of shots) {
    await page.setViewportSize({ width: w, height: h });
    await page.goto(path); await page.getByRole("heading", { level: 1 }).first().waitFor();
    await page.waitForTimeout(1800);
    await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: name.endsWith("full") });
  }
} finally { await browser.close(); server.kill(); }

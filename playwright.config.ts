import { defineConfig, devices } from "@playwright/test";
import { LAUNCH, SERVE } from "./e2e/browser.ts";

const PORT = Number(process.env["E2E_PORT"] ?? 4471);
export default defineConfig({
  testDir: "e2e",
  fullyParallel: true,
  workers: 2,
  retries: 0,
  forbidOnly: Boolean(process.env["CI"]),
  reporter: [["list"], ["json", { outputFile: ".cache/e2e.json" }]],
  timeout: 30_000,
  use: { baseURL: `http://localhost:${PORT}`, launchOptions: LAUNCH, trace: "off" },
  projects: [
    { name: "laptop", use: { ...devices["Desktop Chrome"], viewport: { width: 1280, height: 800 } } },
    {
      name: "phone",
      use: { ...devices["Pixel 7"], viewport: { width: 390, height: 844 } },
    },
  ],
  webServer: {
    command: `node_modules/.bin/sirv ${SERVE(PORT).join(" ")}`,
    url: `http://localhost:${PORT}/`,
    reuseExistingServer: false,
    timeout: 30_000,
    gracefulShutdown: { signal: "SIGTERM", timeout: 2000 },
  },
});

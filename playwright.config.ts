import { defineConfig, devices } from "@playwright/test";

const PORT = Number(process.env["E2E_PORT"] ?? 4471);
const launchOptions = {
  executablePath: process.env["CHROMIUM"] ?? "/usr/bin/chromium",
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
  ],
};

export default defineConfig({
  testDir: "e2e",
  fullyParallel: true,
  workers: 2,
  retries: 0,
  forbidOnly: Boolean(process.env["CI"]),
  reporter: [["list"], ["json", { outputFile: ".cache/e2e.json" }]],
  timeout: 30_000,
  use: { baseURL: `http://localhost:${PORT}`, launchOptions, trace: "off" },
  projects: [
    { name: "laptop", use: { ...devices["Desktop Chrome"], viewport: { width: 1280, height: 800 } } },
    {
      name: "phone",
      use: { ...devices["Pixel 7"], viewport: { width: 390, height: 844 } },
    },
  ],
  webServer: {
    command: `node_modules/.bin/sirv build/client --single --port ${PORT} --host localhost --quiet`,
    url: `http://localhost:${PORT}/`,
    reuseExistingServer: false,
    timeout: 30_000,
    gracefulShutdown: { signal: "SIGTERM", timeout: 2000 },
  },
});

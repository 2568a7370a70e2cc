import { defineConfig, devices } from "@playwright/test";
import { FIRST_VISIT, LAUNCH, PORT, SERVE } from "./e2e/browser.ts";

export default defineConfig({
  testDir: "e2e",
  fullyParallel: true,
  // Two cores, and a third browser for while one of them waits.
  workers: 3,
  retries: 0,
  forbidOnly: Boolean(process.env["CI"]),
  reporter: [["list"], ["json", { outputFile: ".cache/e2e.json" }]],
  // Rented machines are slow at times, and stand still for half a minute: a hang is found all the same, and speed is
  // measured by the benches.
  timeout: 240_000,
  expect: { timeout: 60_000 },
  // The first visit is made once: every test begins with the demo as it stands then, its cards worked out.
  globalSetup: "./e2e/first-visit.ts",
  use: {
    storageState: FIRST_VISIT,
    // Keeping all files for no signal each time is the work of one test alone.
    serviceWorkers: "block",
    baseURL: `http://localhost:${PORT}`,
    launchOptions: LAUNCH,
    trace: "off",
    locale: "en-GB",
    // A drawer half faded in has half its contrast: what is read is a screen that stands still.
    contextOptions: { reducedMotion: "reduce" },
  },
  projects: [
    // What is done with a thumb is done on the phone alone; the main job at both widths.
    {
      name: "laptop",
      grepInvert: /@phone/,
      use: { ...devices["Desktop Chrome"], viewport: { width: 1280, height: 800 } },
    },
    {
      name: "phone",
      grep: /@phone|@both/,
      use: { ...devices["Pixel 7"], viewport: { width: 390, height: 844 } },
    },
  ],
  webServer: {
    command: `node ${SERVE(PORT).join(" ")}`,
    url: `http://localhost:${PORT}/`,
    reuseExistingServer: false,
    timeout: 30_000,
    gracefulShutdown: { signal: "SIGTERM", timeout: 2000 },
  },
});

/** What nobody waits for in everyday tests: `npm run test:faults`. */
import base from "./playwright.config.ts";
import { defineConfig } from "@playwright/test";

export default defineConfig({
  ...base,
  testDir: "faults",
  fullyParallel: false,
  workers: 1,
  reporter: [["list"]],
  projects: [{ name: "laptop", use: { viewport: { width: 1280, height: 800 } } }],
});

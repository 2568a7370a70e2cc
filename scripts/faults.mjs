// `npm run test:faults`: what is survived, tried in full. Takes a quarter of an hour; `npm test` tries a part of it.
import { bin, buildApp, ensureChromium, ensureModules, step } from "./setup.mjs";

ensureModules();
const CHROMIUM = ensureChromium();
buildApp();
step("Spoilt files, a full device, writes cut short", bin("jest"), ["app/store", "--verbose=false"], {
  TAMIS_FAULTS: "1",
});
step("In the browser", bin("playwright"), ["test", "-c", "playwright.faults.config.ts"], { CHROMIUM });

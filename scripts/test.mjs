// `npm test`: installs what is missing, then types, lint, format, unit tests, build, end-to-end tests.
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { bin, BUILD, ensureChromium, ensureModules, inLanes, root, step } from "./setup.mjs";

const started = Date.now();
ensureModules();
const CHROMIUM = ensureChromium();
mkdirSync(`${root}.cache`, { recursive: true });
for (const file of ["unit.json", "e2e.json"]) rmSync(`${root}.cache/${file}`, { force: true });

step("Route types", bin("react-router"), ["typegen"]);
// Two lanes on two cores: what only reads the code beside what runs it.
const read = [
  ["Types", bin("tsc"), ["-b"]],
  ["Lint", bin("eslint"), [".", "--cache", "--cache-location", ".cache/eslint/"]],
  [
    "Format",
    bin("prettier"),
    ["--check", "--log-level", "warn", "--cache", "--cache-location", ".cache/prettier", "."],
  ],
];
const UNIT = ["--json", "--outputFile=.cache/unit.json", "--testLocationInResults", "--maxWorkers=2"];
await inLanes(read, [...BUILD, ["Unit tests", bin("jest"), UNIT]]);
step("End-to-end tests", bin("playwright"), ["test"], { CHROMIUM });

const resultsOf = (file) =>
  existsSync(`${root}.cache/${file}`) ? JSON.parse(readFileSync(`${root}.cache/${file}`, "utf8")) : {};
const unit = resultsOf("unit.json");
const e2e = resultsOf("e2e.json").stats ?? {};
const passed = (unit.numPassedTests ?? 0) + (e2e.expected ?? 0);
const failed = (unit.numFailedTests ?? 0) + (e2e.unexpected ?? 0) + (e2e.flaky ?? 0);
const skipped = (unit.numPendingTests ?? 0) + (e2e.skipped ?? 0);
console.log(`\nAll of npm test took ${((Date.now() - started) / 1000).toFixed(0)} s.`);
console.log(`${passed} passed, ${failed} failed, ${skipped} skipped`);
if (failed > 0 || passed === 0) process.exit(1);

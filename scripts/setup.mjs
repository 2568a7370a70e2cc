// What a fresh clone lacks is installed here. Node built-ins only: nothing is there yet to import.
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";

export const root = fileURLToPath(new URL("..", import.meta.url));
export const bin = (name) => `${root}node_modules/.bin/${name}`;

/** Runs one step, says how long it took, and ends the whole command with a plain word if it failed. */
export function step(title, command, args, env = {}) {
  console.log(`\n== ${title}`);
  const started = Date.now();
  const result = spawnSync(command, args, {
    cwd: root,
    stdio: "inherit",
    env: { ...process.env, ...env },
  });
  const seconds = ((Date.now() - started) / 1000).toFixed(1);
  if (result.status !== 0) {
    console.error(
      `\n${title}: FAILED after ${seconds} s (${result.error?.message ?? `exit ${result.status}`})`,
    );
    process.exit(result.status || 1);
  }
  console.log(`== ${title}: done in ${seconds} s`);
}

/** Installs the packages of the lockfile unless exactly these are installed already. */
export function ensureModules() {
  const major = Number(process.versions.node.split(".")[0]);
  if (major < 20) {
    console.error(`Tamis needs Node 20.19 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const want = createHash("sha256")
    .update(readFileSync(`${root}package-lock.json`))
    .digest("hex");
  const stamp = `${root}node_modules/.setup-stamp`;
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === want) return;
  step("Install packages", "npm", ["ci", "--no-audit", "--no-fund"]);
  writeFileSync(stamp, want);
}

function findChromium() {
  return [
    process.env.CHROMIUM,
    "/usr/bin/chromium",
    "/usr/bin/chromium-browser",
    "/usr/bin/google-chrome",
  ].find((path) => path && existsSync(path));
}

/** The browser for the end-to-end tests: the one there is, else Debian's through apt where we may. */
export function ensureChromium() {
  if (!findChromium() && process.getuid?.() === 0 && existsSync("/usr/bin/apt-get")) {
    step("Update package lists", "apt-get", ["update", "-qq"]);
    step("Install Chromium", "apt-get", ["install", "-y", "-qq", "--no-install-recommends", "chromium"], {
      DEBIAN_FRONTEND: "noninteractive",
    });
  }
  const path = findChromium();
  if (!path) {
    console.error("No Chromium found: install it, or set CHROMIUM to where it is, and run again.");
    process.exit(1);
  }
  return path;
}

export function buildApp() {
  step("Build", bin("react-router"), ["build"], { VITE_DEMO: "1" });
  step("Build service worker", process.execPath, ["scripts/build-sw.mjs"]);
}

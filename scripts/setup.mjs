// What a fresh clone lacks is installed here. Node built-ins only: nothing is there yet to import.
import { spawn, spawnSync } from "node:child_process";
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

/** The same without waiting: its output is shown as one piece when it ends. @returns whether it went well */
function laneStep(title, command, args, env) {
  const started = Date.now();
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env } });
    let said = "";
    const hear = (piece) => (said += piece);
    child.stdout.on("data", hear);
    child.stderr.on("data", hear);
    const end = (problem) => {
      const seconds = ((Date.now() - started) / 1000).toFixed(1);
      const word = problem === undefined ? `done in ${seconds} s` : `FAILED after ${seconds} s (${problem})`;
      console.log(`\n== ${title}\n${said}== ${title}: ${word}`);
      resolve(problem === undefined);
    };
    child.on("error", (error) => end(error.message));
    child.on("close", (code) => end(code === 0 ? undefined : `exit ${code}`));
  });
}

/**
 * Runs lanes of steps beside each other, the steps of a lane one after the other.
 * @param lanes - each a list of `[title, command, args, env]`
 */
export async function inLanes(...lanes) {
  const run = async (steps) => {
    for (const [title, command, args, env = {}] of steps)
      if (!(await laneStep(title, command, args, env))) return false;
    return true;
  };
  const went = await Promise.all(lanes.map(run));
  if (went.includes(false)) process.exit(1);
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
    // The same browser without a window to draw: it starts and runs a third quicker.
    "/usr/bin/chromium-headless-shell",
    "/usr/bin/chromium",
    "/usr/bin/chromium-browser",
    "/usr/bin/google-chrome",
  ].find((path) => path && existsSync(path));
}

const aptHas = (name) => spawnSync("apt-cache", ["show", name], { stdio: "ignore" }).status === 0;

/** The browser for the end-to-end tests: the one there is, else Debian's through apt where we may. */
export function ensureChromium() {
  if (!findChromium() && process.getuid?.() === 0 && existsSync("/usr/bin/apt-get")) {
    step("Update package lists", "apt-get", ["update", "-qq"]);
    for (const name of ["chromium-headless-shell", "chromium"])
      if (!findChromium() && aptHas(name))
        step("Install Chromium", "apt-get", ["install", "-y", "-qq", "--no-install-recommends", name], {
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

export const BUILD = [
  ["Build", bin("react-router"), ["build"], { VITE_DEMO: "1" }],
  ["Build service worker", bin("tsx"), ["scripts/build-sw.mjs"]],
];

export function buildApp() {
  for (const one of BUILD) step(...one);
}

/** How Debian's Chromium is started here, and how the built app is served: for tests, bench and pictures. */
import { spawn, type ChildProcess } from "node:child_process";
import { existsSync } from "node:fs";

export const LAUNCH = {
  executablePath:
    process.env["CHROMIUM"] ??
    ["/usr/bin/chromium-headless-shell", "/usr/bin/chromium"].find((path) => existsSync(path)) ??
    "chromium",
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

/** The port of the tests; the profile of a first visit belongs to it. */
export const PORT = Number(process.env["E2E_PORT"] ?? 4471);
export const FIRST_VISIT = ".cache/first-visit.json";

/** What `node` is called with to serve a built folder. */
export const SERVE = (port: number, folder = "build/client"): string[] => [
  "scripts/serve.mjs",
  String(port),
  folder,
];

const answers = (port: number): Promise<boolean> =>
  fetch(`http://localhost:${port}/`).then(
    (response) => response.ok,
    () => false,
  );

/**
 * @returns the server once it answers
 * @throws {Error} when it has not after ten seconds, or when another one holds the port: an old build would be
 * tested
 */
export async function serveBuild(port: number, folder?: string): Promise<ChildProcess> {
  if (await answers(port)) throw new Error(`port ${port} is taken: stop what answers there`);
  const server = spawn(process.execPath, SERVE(port, folder), { stdio: "ignore" });
  for (let tries = 0; tries < 100; tries += 1) {
    if (await answers(port)) return server;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  server.kill();
  throw new Error(`no answer on port ${port}: is the app built, and the port free?`);
}

/** A rig's settings in the paddock: there once its card is worked out. Class names carry their module's mark. */
export const FITS = '[class*="_fits_"]:has(> div)';

/** How Debian's Chromium is started here, and how the built app is served: for tests, bench and pictures. */
import { spawn, type ChildProcess } from "node:child_process";

export const LAUNCH = {
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

export const SERVE = (port: number): string[] => [
  "build/client",
  "--single",
  "--host",
  "localhost",
  "--port",
  String(port),
  "--quiet",
];

const answers = (port: number): Promise<boolean> =>
  fetch(`http://localhost:${port}/`).then(
    (response) => response.ok,
    () => false,
  );

/**
 * @returns the server once it answers
 * @throws {Error} when it has not after ten seconds, or when another one holds the port: the server would
 * silently move to the next, and an old build be tested
 */
export async function serveBuild(port: number): Promise<ChildProcess> {
  if (await answers(port)) throw new Error(`port ${port} is taken: stop what answers there`);
  const server = spawn("node_modules/.bin/sirv", SERVE(port), { stdio: "ignore" });
  for (let tries = 0; tries < 100; tries += 1) {
    if (await answers(port)) return server;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  server.kill();
  throw new Error(`no answer on port ${port}: is the app built, and the port free?`);
}

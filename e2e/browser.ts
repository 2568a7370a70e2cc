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

/** @returns the server once it answers; @throws {Error} when it has not after ten seconds */
export async function serveBuild(port: number): Promise<ChildProcess> {
  const server = spawn("node_modules/.bin/sirv", SERVE(port), { stdio: "ignore" });
  for (let tries = 0; tries < 100; tries += 1) {
    const answered = await fetch(`http://localhost:${port}/`).then(
      (response) => response.ok,
      () => false,
    );
    if (answered) return server;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  server.kill();
  throw new Error(`no answer on port ${port}: is the app built, and the port free?`);
}

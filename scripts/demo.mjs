// `npm run demo`: installs what is missing, builds, serves, and prints the address.
import { spawn } from "node:child_process";
import { createServer } from "node:net";
import { buildApp, ensureModules, root } from "./setup.mjs";

const HOST = "localhost";

/** The port that was asked for, or the next that is free. */
async function freePort(first) {
  for (let port = first; port < first + 50; port += 1) {
    const free = await new Promise((resolve) => {
      const probe = createServer()
        .once("error", () => resolve(false))
        .once("listening", () => probe.close(() => resolve(true)))
        .listen(port, HOST);
    });
    if (free) return port;
  }
  console.error(`No free port from ${first} to ${first + 49}: set PORT to one that is.`);
  process.exit(1);
}

ensureModules();
buildApp();
const port = await freePort(Number(process.env.PORT ?? 4400));
const server = spawn(process.execPath, ["scripts/serve.mjs", String(port)], { cwd: root, stdio: "inherit" });
server.once("exit", (code) => process.exit(code ?? 0));
for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => server.kill(signal));

const address = `http://${HOST}:${port}/`;
for (let tries = 0; tries < 50; tries += 1) {
  const answered = await fetch(address).then(
    (r) => r.ok,
    () => false,
  );
  if (answered) break;
  await new Promise((resolve) => setTimeout(resolve, 100));
}
console.log(`\nTamis is running with its demo data: ${address}\nStop it with Ctrl+C.`);

// Serves the built app: `node scripts/serve.mjs PORT [FOLDER]`. A policy in the page does not bind its workers: it is sent
// as a header with every file too, as any host should.
import { readFileSync } from "node:fs";
import { createServer } from "node:http";
import sirv from "sirv";
import { policyOf } from "./csp.mjs";

const [port = "4400", folder = "build/client"] = process.argv.slice(2);
const policy = policyOf(readFileSync(`${folder}/index.html`, "utf8"));
const files = sirv(folder, {
  single: true,
  // Read anew for every request: a build that takes the place of another is served at once.
  dev: true,
  setHeaders: (response) => response.setHeader("Content-Security-Policy", policy),
});
createServer(files).listen(Number(port), "localhost");

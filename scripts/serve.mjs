// Serves the built app: `node scripts/serve.mjs PORT [FOLDER]`. A policy in the page does not bind its workers: it is sent
// as a header with every file too, as any host should.
import { readFileSync, statSync } from "node:fs";
import { createServer } from "node:http";
import sirv from "sirv";
import { sentPolicyOf } from "./csp.mjs";

const [port = "4400", folder = "build/client"] = process.argv.slice(2);
const page = `${folder}/index.html`;
let [policy, since] = ["", Number.NaN];
/** Of the page as it is now: a build that takes the place of another brings a policy of its own. */
function policyNow() {
  const { mtimeMs } = statSync(page, { throwIfNoEntry: false }) ?? { mtimeMs: Number.NaN };
  if (mtimeMs !== since && !Number.isNaN(mtimeMs))
    [policy, since] = [sentPolicyOf(readFileSync(page, "utf8")), mtimeMs];
  return policy;
}
const files = sirv(folder, {
  single: true,
  // Read anew for every request: a build that takes the place of another is served at once.
  dev: true,
  setHeaders: (response) => response.setHeader("Content-Security-Policy", policyNow()),
});
createServer(files).listen(Number(port), "localhost");

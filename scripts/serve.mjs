// Serves the built app: `node scripts/serve.mjs PORT [FOLDER]`. A policy in the page does not bind its workers: it is sent
// as a header with every file too, as any host should.
import { readFileSync, statSync } from "node:fs";
import { createServer } from "node:http";
import sirv from "sirv";
import { sentPolicyOf } from "./csp.mjs";

const [port = "4400", folder = "build/client"] = process.argv.slice(2);
const page = `${folder}/index.html`;
/** By page: its policy, and of when it is. */
const known = new Map();
const changedAt = (file) => statSync(file, { throwIfNoEntry: false })?.mtimeMs;
/** Of the page as it is now: a build that takes the place of another brings a policy of its own. */
function policyOfPage(file) {
  const at = changedAt(file);
  const before = known.get(file);
  if (at === undefined || before?.at === at) return before?.policy ?? "";
  const policy = sentPolicyOf(readFileSync(file, "utf8"));
  known.set(file, { policy, at });
  return policy;
}
/** A page that was written whole has its own; all else, workers too, goes by the page that every screen opens with. */
function policyNow(path) {
  const own = /^\/handbook(\/[\w-]+){0,2}\/?(index\.html)?$/.test(path)
    ? `${folder}${path.replace(/\/?(index\.html)?$/, "")}/index.html`
    : page;
  return policyOfPage(changedAt(own) === undefined ? page : own);
}
const files = sirv(folder, {
  single: true,
  // Read anew for every request: a build that takes the place of another is served at once.
  dev: true,
  setHeaders: (response, path) => response.setHeader("Content-Security-Policy", policyNow(path)),
});
createServer(files).listen(Number(port), "localhost");

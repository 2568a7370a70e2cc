/** `npm run audit`: asks the registry for known faults in the packages. It needs a network: no part of `npm test`. */
import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { Allowed, openAdvisories } from "./advisories.ts";

const allowed = Allowed.parse(
  JSON.parse(readFileSync(new URL("./advisories-allowed.json", import.meta.url), "utf8")),
);
const { stdout } = spawnSync("npm", ["audit", "--json"], { encoding: "utf8" });

try {
  const open = openAdvisories(JSON.parse(stdout), allowed, new Date().toISOString().slice(0, 10));
  for (const { name, severity, title, id } of open) console.error(`${severity}: ${name}: ${title} (${id})`);
  console.log(
    `${open.length} known faults that nobody has looked at, ${allowed.length} allowed with a reason.`,
  );
  process.exitCode = open.length > 0 ? 1 : 0;
} catch {
  console.error("The registry could not be asked: nothing is known. It says:", stdout.slice(0, 200));
  process.exitCode = 2;
}

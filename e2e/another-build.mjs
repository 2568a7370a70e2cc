// `node e2e/another-build.mjs FOLDER`: makes another build of a built one: every file of it has another name, as after a
// change that touches them all, and the page another policy.
import { readdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { extname, join } from "node:path";
import { withPolicy } from "../scripts/csp.mjs";

const [folder] = process.argv.slice(2);
const assets = readdirSync(join(folder, "assets"));
const renamed = new Map(
  assets.map((name) => [name, `${name.slice(0, -extname(name).length)}b${extname(name)}`]),
);
const FILE = /[\w.~-]+\.(?:js|css|woff2)/g;
const textOf = (file) => readFileSync(file, "utf8").replace(FILE, (name) => renamed.get(name) ?? name);

for (const name of assets) {
  const file = join(folder, "assets", name);
  if (/\.(?:js|css)$/.test(name)) writeFileSync(file, textOf(file));
  renameSync(file, join(folder, "assets", renamed.get(name)));
}
const page = textOf(join(folder, "index.html")).replace(
  /<meta http-equiv="Content-Security-Policy"[^>]*>/,
  "",
);
writeFileSync(join(folder, "index.html"), withPolicy(page));
writeFileSync(join(folder, "sw-builds.js"), textOf(join(folder, "sw-builds.js")));
writeFileSync(
  join(folder, "sw.js"),
  textOf(join(folder, "sw.js")).replace(
    /(url:\s*"index\.html",\s*revision:\s*")[^"]*|(revision:\s*")[^"]*(",\s*url:\s*"index\.html")/,
    (_, before, other, after) => (before ? `${before}another` : `${other}another${after}`),
  ),
);

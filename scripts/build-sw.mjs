// Runs after the build: puts the screens' files and the policy into the page, and into each page of the handbook its
// own policy; then writes build/client/sw.js with every built file in its precache, so that after
// one visit the app opens with no signal at all.
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { generateSW } from "workbox-build";
import { NOT_FRAMED, withPolicy } from "./csp.mjs";
import { withPreload } from "./preload.ts";
import { drawingWorkers, rings } from "./built-files.ts";
import { finishHandbook } from "./handbook-files.ts";

const page = "build/client/index.html";
const [manifestName] = readdirSync("build/client/assets").filter((name) => /^manifest-.*\.js$/.test(name));
const manifest = JSON.parse(
  readFileSync(`build/client/assets/${manifestName}`, "utf8")
    .replace(/^[^=]*=/, "")
    .replace(/;\s*$/, ""),
);
const fonts = readdirSync("build/client/assets")
  .filter((name) => /-latin-(?!ext).*\.woff2$/.test(name))
  .map((name) => `/assets/${name}`);
// The policy comes last: it names what else is written into the page.
writeFileSync(page, withPolicy(withPreload(readFileSync(page, "utf8"), manifest, fonts)));

const indexSize = finishHandbook();
if (indexSize > 30_000)
  throw new Error(`the handbook’s index is ${indexSize} bytes gzipped, 30 000 are allowed`);
// A page that was written whole has inline scripts of its own, and so a policy of its own.
for (const name of readdirSync("build/client/handbook", { recursive: true })) {
  const file = `build/client/handbook/${name}`;
  if (file.endsWith(".html")) writeFileSync(file, withPolicy(readFileSync(file, "utf8")));
}

const scripts = readdirSync("build/client/assets").filter((name) => name.endsWith(".js"));
const textOf = (name) => readFileSync(`build/client/assets/${name}`, "utf8");
const wrong = drawingWorkers(scripts, textOf);
if (wrong.length > 0) throw new Error(`a worker asks for what draws: ${wrong.join("; ")}`);
const round = rings(scripts, textOf);
if (round.length > 0) throw new Error(`files that import each other: ${round.join("; ")}`);

// In the worker by name: a browser looks for a new one by what it imports, too.
const files = JSON.stringify(readdirSync("build/client/assets").map((name) => `/assets/${name}`));
writeFileSync(
  "build/client/sw-builds.js",
  `self.TAMIS_FILES = ${files};\nself.TAMIS_NOT_FRAMED = ${JSON.stringify(NOT_FRAMED)};\n${readFileSync("scripts/sw-builds.js", "utf8")}`,
);

const { count, size, warnings } = await generateSW({
  importScripts: ["/sw-builds.js"],
  globDirectory: "build/client",
  globPatterns: ["**/*.{js,css,html,woff2,data,webmanifest,svg,png,ico,json,jpg,csv}"],
  globIgnores: ["sw.js", "sw-builds.js", "workbox-*.js"],
  swDest: "build/client/sw.js",
  maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
  dontCacheBustURLsMatching: /^assets\//, // the build's names carry a hash
  directoryIndex: "index.html",
  navigateFallback: "/index.html",
  navigateFallbackDenylist: [/\/[^/?]+\.[^/?]+$/], // a path with a file extension is not a screen
  ignoreURLParametersMatching: [/.*/],
  // The server answers /x with x/index.html: precache a prerendered page under that address.
  manifestTransforms: [
    (entries) => ({
      manifest: entries.map((entry) => ({ ...entry, url: entry.url.replace(/(.)\/index\.html$/, "$1") })),
      warnings: [],
    }),
  ],
  // An open tab keeps its old files until it is closed: a lazy part never vanishes under a tuner's hands.
  skipWaiting: false,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
  inlineWorkboxRuntime: true,
  sourcemap: false,
  mode: "production",
});
for (const warning of warnings) console.warn(warning);
console.log(`handbook: index of ${(indexSize / 1024).toFixed(1)} KiB gzipped`);
console.log(`sw.js: ${count} files kept for no signal, ${(size / 1024).toFixed(0)} KiB`);
if (warnings.length > 0) process.exitCode = 1;

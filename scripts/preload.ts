/**
 * Adds preload links per address: the page is the same for every address, so each screen's files would be fetched
 * one after the other. What the build says of its routes goes into the page as a small table; by its address the
 * page asks for all at once.
 */

interface BuiltRoute {
  readonly id: string;
  readonly parentId?: string;
  readonly path?: string;
  readonly module: string;
  readonly clientLoaderModule?: string;
  readonly imports?: readonly string[];
}

/** What the router's build writes beside its files. */
export interface Manifest {
  readonly routes: Readonly<Record<string, BuiltRoute>>;
}

interface Screen {
  /** of its address; one that begins with a colon stands for any */
  readonly segments: readonly string[];
  readonly files: readonly string[];
}

const filesOf = ({ module, clientLoaderModule, imports = [] }: BuiltRoute): string[] => [
  module,
  ...(clientLoaderModule === undefined ? [] : [clientLoaderModule]),
  ...imports,
];

/** @returns for each screen what it needs and the page does not ask for itself */
export function screenFiles({ routes }: Manifest, html: string): Screen[] {
  const linked = new Set([...html.matchAll(/href="([^"]+)"/g)].map(([, href]) => href));
  const chainOf = (route: BuiltRoute | undefined): BuiltRoute[] =>
    route === undefined ? [] : [...chainOf(routes[route.parentId ?? ""]), route];
  const parents = new Set(Object.values(routes).map(({ parentId }) => parentId));
  return Object.values(routes)
    .filter(({ id, path }) => !parents.has(id) && path !== "*")
    .map((leaf) => {
      const chain = chainOf(leaf);
      return {
        segments: chain.flatMap(({ path = "" }) => path.split("/")).filter((one) => one !== ""),
        files: [...new Set(chain.flatMap(filesOf))].filter((file) => !linked.has(file)),
      };
    });
}

/** Runs in the page before anything else of it; what it knows comes before it. */
const ASK = `
const here = location.pathname.split("/").filter(Boolean);
const fits = ([segments]) =>
  segments.length === here.length && segments.every((one, i) => one[0] === ":" || one === here[i]);
const ask = (about) => document.head.append(Object.assign(document.createElement("link"), about));
const askModule = (href) => ask({ rel: "modulepreload", href });
const askFont = (href) => ask({ rel: "preload", as: "font", type: "font/woff2", crossOrigin: "", href });
for (const i of (screens.find(fits) ?? ["", []])[1]) askModule(files[i]);
if (navigator.serviceWorker?.controller) fonts.forEach(askFont);`;

/**
 * @param fonts - read early by a visit that has them at hand: else each that comes lays the page out anew
 * @returns the page with the table and what asks by it
 */
export function withPreload(html: string, manifest: Manifest, fonts: readonly string[]): string {
  const screens = screenFiles(manifest, html);
  const files = [...new Set(screens.flatMap((screen) => screen.files))];
  const table = screens.map(({ segments, files: own }) => [segments, own.map((file) => files.indexOf(file))]);
  const known = Object.entries({ files, screens: table, fonts })
    .map(([name, value]) => `${name}=${JSON.stringify(value)}`)
    .join();
  const script = `{const ${known};${ASK}}`;
  // Before the first style: a script after one waits for it.
  return html.replace(/<link rel="stylesheet"|<\/head>/, (next) => `<script>${script}</script>${next}`);
}

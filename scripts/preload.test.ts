import { screenFiles, withPreload } from "./preload.ts";

const manifest = {
  routes: {
    root: { id: "root", path: "", module: "/root.js", imports: ["/lib.js"] },
    frame: {
      id: "frame",
      parentId: "root",
      path: "rigs/:rigId",
      module: "/frame.js",
      clientLoaderModule: "/load.js",
    },
    today: { id: "today", parentId: "frame", index: true, module: "/today.js" },
    air: { id: "air", parentId: "frame", path: "air", module: "/air.js", imports: ["/lib.js", "/fields.js"] },
    lost: { id: "lost", parentId: "root", path: "*", module: "/lost.js" },
  },
};
const page = '<head><link rel="modulepreload" href="/lib.js"/><link href="/root.js"/></head><body></body>';

const fonts = ["/wide.woff2"];

/** What the page asks for under an address, on a first visit or one that has all at hand. */
function askedFor(path: string, later = false): string[] {
  const script = /<script>([\s\S]*)<\/script>/.exec(withPreload(page, manifest, fonts))?.[1] ?? "";
  const asked: Record<string, string>[] = [];
  const document = {
    createElement: () => ({}),
    head: { append: (link: Record<string, string>) => asked.push(link) },
  };
  // eslint-disable-next-line @typescript-eslint/no-implied-eval -- the page's own script, as the page runs it
  const run = new Function("location", "document", "navigator", script) as (...of: object[]) => void;
  run({ pathname: path }, document, later ? { serviceWorker: { controller: {} } } : {});
  return asked.map(({ rel, as, href }) => [rel, as, href].filter(Boolean).join(" "));
}

it("knows for each screen what it needs, without what the page asks for itself", () => {
  expect(screenFiles(manifest, page)).toEqual([
    { segments: ["rigs", ":rigId"], files: ["/frame.js", "/load.js", "/today.js"] },
    { segments: ["rigs", ":rigId", "air"], files: ["/frame.js", "/load.js", "/air.js", "/fields.js"] },
  ]);
});

it("asks at once for all of the screen that the address names, and for nothing where it names none", () => {
  expect(askedFor("/rigs/rig:demo-kart/air")).toEqual([
    "modulepreload /frame.js",
    "modulepreload /load.js",
    "modulepreload /air.js",
    "modulepreload /fields.js",
  ]);
  expect(askedFor("/rigs/rig:demo-kart/")).toContain("modulepreload /today.js");
  expect(askedFor("/rigs/rig:demo-kart/no/such")).toEqual([]);
});

it("has fonts read meanwhile on a visit that has them at hand, and on that alone", () => {
  const first = askedFor("/rigs/rig:demo-kart");
  expect(first).toEqual(["modulepreload /frame.js", "modulepreload /load.js", "modulepreload /today.js"]);
  expect(askedFor("/rigs/rig:demo-kart", true)).toEqual([...first, "preload font /wide.woff2"]);
});

it("asks before the page’s styles, which a script after them would wait for", () => {
  const styled = page.replace("</head>", '<link rel="stylesheet" href="/house.css"/></head>');
  const written = withPreload(styled, manifest, fonts);
  expect(written.indexOf("<script>")).toBeGreaterThan(written.indexOf("/root.js"));
  expect(written.indexOf("<script>")).toBeLessThan(written.indexOf("/house.css"));
  expect(written.replace(/<script>[\s\S]*<\/script>/, "")).toBe(styled);
});

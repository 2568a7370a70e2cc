import { screenFiles, withPreload } from "./preload.ts";

const manifest = {
  routes: {
    root: { id: "root", path: "", module: "/root.js", imports: ["/lib.js"], css: [] },
    frame: {
      id: "frame",
      parentId: "root",
      path: "rigs/:rigId",
      module: "/frame.js",
      clientLoaderModule: "/load.js",
    },
    today: { id: "today", parentId: "frame", index: true, module: "/today.js", css: ["/today.css"] },
    air: { id: "air", parentId: "frame", path: "air", module: "/air.js", imports: ["/lib.js", "/fields.js"] },
    lost: { id: "lost", parentId: "root", path: "*", module: "/lost.js" },
  },
};
const page = '<head><link rel="modulepreload" href="/lib.js"/><link href="/root.js"/></head><body></body>';

/** What the page asks for under an address. */
function askedFor(path: string): string[] {
  const script = /<script>([\s\S]*)<\/script>/.exec(withPreload(page, manifest))?.[1] ?? "";
  const asked: Record<string, string>[] = [];
  const document = {
    createElement: () => ({}),
    head: { append: (link: Record<string, string>) => asked.push(link) },
  };
  // eslint-disable-next-line @typescript-eslint/no-implied-eval -- the page's own script, as the page runs it
  const run = new Function("location", "document", script) as (place: object, page: object) => void;
  run({ pathname: path }, document);
  return asked.map(({ rel, href }) => `${rel} ${href}`);
}

it("knows for each screen what it needs, without what the page asks for itself", () => {
  expect(screenFiles(manifest, page)).toEqual([
    { segments: ["rigs", ":rigId"], files: ["/frame.js", "/load.js", "/today.js", "/today.css"] },
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
  expect(askedFor("/rigs/rig:demo-kart/")).toContain("preload /today.css");
  expect(askedFor("/rigs/rig:demo-kart/no/such")).toEqual([]);
});

it("asks before the page’s styles, which a script after them would wait for", () => {
  const styled = page.replace("</head>", '<link rel="stylesheet" href="/house.css"/></head>');
  const written = withPreload(styled, manifest);
  expect(written.indexOf("<script>")).toBeGreaterThan(written.indexOf("/root.js"));
  expect(written.indexOf("<script>")).toBeLessThan(written.indexOf("/house.css"));
  expect(written.replace(/<script>[\s\S]*<\/script>/, "")).toBe(styled);
});

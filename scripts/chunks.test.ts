import { chunks, importedBy, openingFiles } from "./chunks.ts";

const ROUTES = [
  { file: "features/paddock/route.tsx", index: true },
  {
    file: "frame/route.tsx",
    children: [
      { file: "frame/screen.tsx", children: [{ file: "features/today/route.tsx", index: true }] },
      { file: "features/sieve/route.tsx" },
    ],
  },
  { file: "features/data/route.tsx" },
];

/** Each with what it imports. */
const IMPORTS: Readonly<Record<string, readonly string[]>> = {
  "/x/app/root.tsx?__react-router-build-client-route": ["/x/app/root.tsx"],
  "/x/app/root.tsx": [
    "/x/node_modules/react/index.js",
    "/x/node_modules/router/index.js",
    "/x/app/store/book.ts",
  ],
  "/x/app/features/today/route.tsx?route-chunk=main": ["/x/core/strip.ts", "/x/app/words.ts"],
  "/x/app/workers/judge.worker.ts": ["/x/core/strip.ts", "/x/core/belief.ts"],
  "/x/app/workers/files.worker.ts": ["/x/app/store/book.ts", "/x/core/photo.ts"],
  "/x/app/features/sieve/route.tsx?route-chunk=main": ["/x/core/belief.ts", "/x/app/sieve-words.ts"],
  "/x/app/words.ts": ["/x/core/round.ts"],
  "/x/core/round.ts": ["/x/app/words.ts"],
};
const graph = {
  getModuleInfo: (id: string) => ({ importedIds: IMPORTS[id] ?? [] }),
  getModuleIds: () => Object.keys(IMPORTS),
  environment: { name: "client" },
};

describe("the files of the build", () => {
  it("a visit opens with the index routes and what stands around them", () => {
    expect(openingFiles(ROUTES)).toEqual([
      "features/paddock/route.tsx",
      "frame/route.tsx",
      "frame/screen.tsx",
      "features/today/route.tsx",
    ]);
  });
  it("what a module imports is found all the way, and in circles once", () => {
    expect([...importedBy(graph, ["/x/app/features/today/route.tsx?route-chunk=main"])].sort()).toEqual([
      "/x/app/words.ts",
      "/x/core/round.ts",
      "/x/core/strip.ts",
    ]);
  });
  it("go where the first to need them is: judge and page share the core, later screens wait", () => {
    const { plugin, groups } = chunks(ROUTES);
    (plugin.buildEnd as (this: unknown) => void).call(graph);
    const placeOf = (id: string) =>
      groups.find(({ test }) => !test || (test as (id: string) => boolean)(id))?.name;
    expect(placeOf("/x/core/strip.ts")).toBe("core");
    expect(placeOf("/x/core/belief.ts")).toBe("judge");
    expect(placeOf("/x/app/store/book.ts")).toBe("store");
    expect(placeOf("/x/node_modules/react/index.js")).toBe("libraries");
    expect(placeOf("/x/app/words.ts")).toBe("house");
    expect(placeOf("/x/app/sieve-words.ts")).toBe("later");
    expect(placeOf("/x/core/photo.ts")).toBe("workers");
    expect(placeOf("/x/node_modules/echarts/core.js")).toBe("charts");
    // An entry stays a file of its own: its address is asked for by name.
    expect(placeOf("/x/app/workers/judge.worker.ts")).toBe("later");
  });
});

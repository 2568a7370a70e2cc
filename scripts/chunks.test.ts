import { chunks, importedBy } from "./chunks.ts";

/** Each with what it imports. */
const IMPORTS: Readonly<Record<string, readonly string[]>> = {
  "/x/app/root.tsx?__react-router-build-client-route": ["/x/app/root.tsx"],
  "/x/app/root.tsx": [
    "/x/node_modules/react/index.js",
    "/x/node_modules/router/index.js",
    "/x/app/store/book.ts",
  ],
  "/x/app/features/today/route.tsx?route-chunk=main": ["/x/core/strip.ts", "/x/app/words.ts"],
  "/x/app/workers/judge.worker.ts": ["/x/core/strip.ts", "/x/core/belief.ts", "/x/core/belief-words.ts"],
  "/x/app/workers/files.worker.ts": ["/x/app/store/book.ts", "/x/app/store/names.ts", "/x/core/photo.ts"],
  "/x/app/features/sieve/route.tsx": ["/x/core/belief.ts", "/x/app/sieve-words.ts"],
  "/x/app/words.ts": ["/x/core/round.ts"],
  "/x/app/features/today/TodaysWork.tsx": [
    "/x/app/words.ts",
    "/x/core/belief-words.ts",
    "/x/app/store/names.ts",
    "/x/node_modules/buttons/index.js",
  ],
  "/x/core/round.ts": ["/x/app/words.ts"],
};
const graph = {
  getModuleInfo: (id: string) => ({ importedIds: IMPORTS[id] ?? [] }),
  getModuleIds: () => Object.keys(IMPORTS),
  environment: { name: "client" },
};

describe("the files of the build", () => {
  it("what a module imports is found all the way, and in circles once", () => {
    expect([...importedBy(graph, ["/x/app/features/today/route.tsx?route-chunk=main"])].sort()).toEqual([
      "/x/app/words.ts",
      "/x/core/round.ts",
      "/x/core/strip.ts",
    ]);
  });
  it("go where the first to need them is: judge and page share the core, later screens wait", () => {
    const { plugin, groups } = chunks();
    (plugin.buildEnd as (this: unknown) => void).call(graph);
    const placeOf = (id: string) => groups.find(({ test }) => (test as (id: string) => boolean)(id))?.name;
    expect(placeOf("/x/core/strip.ts")).toBe("core");
    expect(placeOf("/x/core/belief.ts")).toBe("judge");
    expect(placeOf("/x/app/store/book.ts")).toBe("store");
    expect(placeOf("/x/node_modules/react/index.js")).toBe("react");
    expect(placeOf("/x/node_modules/router/index.js")).toBe("libraries");
    expect(placeOf("/x/app/words.ts")).toBe("house");
    expect(placeOf("/x/app/sieve-words.ts")).toBe("later");
    expect(placeOf("/x/core/photo.ts")).toBe("workers");
    // After the card, in one file but for what workers read too: these must not ask for what draws.
    expect(placeOf("/x/app/features/today/TodaysWork.tsx")).toBe("tapped");
    expect(placeOf("/x/node_modules/buttons/index.js")).toBe("tapped");
    expect(placeOf("/x/core/belief-words.ts")).toBe("core-tapped");
    expect(placeOf("/x/app/store/names.ts")).toBe("store-tapped");
    // Where a build begins stays a file of its own: its address is asked for by name.
    expect(placeOf("/x/app/workers/judge.worker.ts")).toBe("later");
  });
});

import { drawingWorkers, rings } from "./built-files.ts";

const BUILT: Readonly<Record<string, string>> = {
  "judge.worker-a1.js": 'import{a as b}from"./core-c1.js";const later=()=>import("./asked-d1.js");',
  "files.worker-a2.js": 'import"./shared-e1.js";',
  "core-c1.js": "export const a=1;",
  "asked-d1.js": 'import"./react-f1.js";',
  "shared-e1.js": 'import{x}from"./core-c1.js";import{y}from"./react-f1.js";',
  "react-f1.js": 'Symbol.for("react.transitional.element")',
};
const textOf = (name: string): string => BUILT[name] ?? "";

describe("a worker’s files", () => {
  it("draw nothing: the one that asks for a page’s library is named, with the way to it", () => {
    expect(drawingWorkers(Object.keys(BUILT), textOf)).toEqual([
      "files.worker-a2.js > shared-e1.js > react-f1.js",
    ]);
  });
  it("are followed once, though they ask for each other", () => {
    const round = {
      "x.worker-1.js": 'import"./y-1.js"',
      "y-1.js": 'import"./x.worker-1.js";import"./y-1.js"',
    };
    expect(drawingWorkers(Object.keys(round), (name) => round[name as keyof typeof round])).toEqual([]);
  });
});

describe("files that import each other in a ring", () => {
  it("are named once, with the way round; one file that two need is no ring", () => {
    expect(rings(Object.keys(BUILT), textOf)).toEqual([]);
    const ring: Readonly<Record<string, string>> = {
      "log-1.js": 'import"./later-2.js";import{x}from"./later-3.js";',
      "later-2.js": "import{y}from`./later-3.js`;",
      "later-3.js": 'import"./core-4.js";import"./later-5.js";',
      "core-4.js": "",
      "later-5.js": 'import"./later-2.js"',
    };
    expect(rings(Object.keys(ring), (name) => ring[name] ?? "")).toEqual([
      "later-2.js > later-3.js > later-5.js > later-2.js",
    ]);
  });
  it("asked for in passing are none: they run when they are asked for", () => {
    const round: Readonly<Record<string, string>> = {
      "a.js": 'import"./b.js"',
      "b.js": 'const a=()=>import("./a.js")',
    };
    expect(rings(Object.keys(round), (name) => round[name] ?? "")).toEqual([]);
  });
});

import { drawingWorkers } from "./worker-files.ts";

const BUILT: Readonly<Record<string, string>> = {
  "judge.worker-a1.js": 'import{a as b}from"./core-c1.js";const later=()=>import("./asked-d1.js");',
  "files.worker-a2.js": 'import"./shared-e1.js";',
  "core-c1.js": "export const a=1;",
  "asked-d1.js": 'import"./react-f1.js";',
  "shared-e1.js": 'import{x}from"./core-c1.js";import{y}from"./react-f1.js";',
  "react-f1.js": "",
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

/** One size, one groove: how a part is moved by steps, richer for +. */
import type { Build, Setting } from "../log/schema.ts";
import { boxJets } from "../rig/box.ts";

function jetStep(build: Build, part: "pilot" | "main", from: number, steps: number): number {
  const sizes = boxJets(build, part)
    .map(({ number }) => number)
    .sort((a, b) => a - b);
  const at = sizes.findIndex((size) => size >= from);
  return sizes[Math.min(sizes.length - 1, Math.max(0, at + steps))] ?? from;
}

export type Stepped = "pilot" | "clip" | "main";

export const PART_STEPS: Readonly<
  Record<Stepped, (setting: Setting, steps: number, build: Build) => number>
> = {
  pilot: ({ pilot }, steps, build) => jetStep(build, "pilot", pilot, steps),
  main: ({ main }, steps, build) => jetStep(build, "main", main, steps),
  // A lower groove lifts the needle: richer.
  clip: ({ clip }, steps, build) => Math.min(build.carburettor.needle.grooves, Math.max(1, clip + steps)),
};

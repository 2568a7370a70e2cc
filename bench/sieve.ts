/**
 * How long a sieve takes in the judge: `npm run bench:sieve`. The demo's log with a box of 25 mains and a needle of 15
 * grooves: the first sieve of a log, and each step back through its looks. Prints what it measured; asserts nothing.
 */
import { openCase } from "#core/advice/case.ts";
import { sieveOf } from "#core/advice/sieve.ts";
import type { Entry } from "#core/log/schema.ts";
import { enduroDemo } from "../demo/enduro-log.ts";

const { entries } = enduroDemo("2026-05-23", "+02:00");
const mains = Array.from({ length: 25 }, (_, i) => 130 + 2.5 * i);
const wide = entries.map((entry): Entry => {
  if (entry.kind !== "build") return entry;
  const { carburettor, box } = entry.build;
  const needle = { ...carburettor.needle, grooves: 15 };
  return {
    ...entry,
    build: { ...entry.build, box: { ...box, mains }, carburettor: { ...carburettor, needle } },
  };
});
const AXES = { across: "main", down: "clip" } as const;
const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
const timed = (work: () => unknown): number => {
  const started = performance.now();
  work();
  return performance.now() - started;
};

const firsts: number[] = [];
const steps: number[] = [];
let holes = 0;
for (let run = 0; run < 7; run += 1) {
  const open = openCase(wide);
  firsts.push(timed(() => (holes = sieveOf(open, AXES).holes.length)));
  const { looks } = sieveOf(open, AXES);
  for (let counted = 0; counted <= looks.length; counted += 1)
    steps.push(timed(() => sieveOf(open, AXES, 0, counted)));
}
console.log(
  `a sieve of ${holes} holes: first ${median(firsts).toFixed(0)} ms (median of ${firsts.length}), a step back ${median(steps).toFixed(0)} ms (median of ${steps.length})`,
);

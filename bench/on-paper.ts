/**
 * How long the judge takes over what is asked on paper: `npm run bench:paper`. The demo's log with a box of 25 mains and
 * a needle of 15 grooves: the sieve first and each step back through its looks, a step in What if, the map, fifty
 * needles, the parts of a box, look by look. Prints what it measured; asserts nothing.
 */
import { openCase } from "#core/advice/judge/case.ts";
import { deeper } from "#core/advice/card/deeper.ts";
import { lambdaMap } from "#core/advice/judge/lambda-map.ts";
import { nearestNeedles, partsAnswer } from "#core/advice/parts/parts-answer.ts";
import { sieveOf } from "#core/advice/card/sieve.ts";
import { trialOf } from "#core/advice/judge/trial.ts";
import { freshMemory } from "#core/belief/replay.ts";
import type { BenchPart } from "#core/log/part-schema.ts";
import { withStraight, withTaperMoved } from "#core/rig/needle-shape.ts";
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

const say = (what: string, times: readonly number[]): void => {
  const sorted = [...times].sort((a, b) => a - b);
  const p95 = sorted[Math.floor(0.95 * (sorted.length - 1))] ?? NaN;
  console.log(
    `${what}: median ${median(times).toFixed(1)} ms, p95 ${p95.toFixed(1)} ms (${times.length} times)`,
  );
};
const RUNS = 9;
const runs = (work: (run: number) => unknown): number[] =>
  Array.from({ length: RUNS }, (_, run) => timed(() => work(run)));

const open = openCase(entries);
const { setting = undefined, build } = open.present;
if (!setting || !build) throw new Error("the demo has a rig");
const moves = Array.from({ length: 120 }, (_, i) => ({
  setting: { ...setting, main: setting.main + (i % 11) },
  needleJetMm: build.carburettor.needleJetMm + 0.01 * (i % 5),
}));
say(
  "What if, a step",
  moves.map((asked) => timed(() => trialOf(open, asked))),
);
say(
  "the map, 60 × 60",
  runs(() => lambdaMap(open)),
);

const { needle } = build.carburettor;
const parts = Array.from({ length: 50 }, (_, i): BenchPart => ({
  kind: "needle",
  name: `needle ${i + 1}`,
  needle: withTaperMoved(withStraight(needle, 0.005 * ((i % 10) - 5) + 0.0025), 0.5 * Math.floor(i / 10) - 1),
}));
const boxed = (count: number) =>
  openCase(
    entries.map((entry): Entry =>
      entry.kind === "build"
        ? { ...entry, build: { ...entry.build, box: { ...entry.build.box, parts: parts.slice(0, count) } } }
        : entry,
    ),
  );
const [few, many] = [boxed(5), boxed(50)];
say(
  "fifty needles, the nearest",
  runs(() => nearestNeedles(many, "fitted")),
);
say(
  "five parts and what to look for",
  runs(() => partsAnswer(few)),
);
say(
  "look by look",
  runs(() => deeper(open, 0, freshMemory())),
);

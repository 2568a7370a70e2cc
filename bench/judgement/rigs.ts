/** Rigs of the bench: the demo's machines with a club racer's incomplete boxes. */
import type { Build } from "#core/log/schema.ts";
import type { Random } from "#core/numbers/random.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { ATV, KART, RACER, TWIN } from "../../demo/other-rigs.ts";

export const RIG_NAMES = ["enduro", "kart", "atv", "twin", "methanol"] as const;
export type RigName = (typeof RIG_NAMES)[number];

const BUILDS: Readonly<Record<RigName, Build>> = {
  enduro: ENDURO_BUILD,
  kart: KART.build,
  atv: ATV.build,
  twin: TWIN.build,
  methanol: RACER.build,
};

/** One size in seven is missing from a real box. */
const MISSING = 1 / 7;

/** @param halfGrooves - washers that lift the needle by half a groove are in the box */
export function benchBuild(name: RigName, random: Random, halfGrooves: boolean): Build {
  const build = BUILDS[name];
  const { pilot, main } = build.baseline.setting;
  const byFlow = build.carburettor.mainNumbering.by === "flow";
  const step = byFlow ? 5 : 2.5;
  const owned = (from: number, to: number, by: number, keep: number): number[] =>
    Array.from({ length: Math.round((to - from) / by) + 1 }, (_, i) => from + i * by).filter(
      (size) => size === keep || random.uniform() > MISSING,
    );
  const reach = byFlow ? 0.26 : 0.15;
  const steps = Math.ceil((reach * main) / step);
  const mains = owned(main - steps * step, main + Math.ceil(steps / 1.5) * step, step, main);
  const pilots = owned(pilot - 6, pilot + 6, 2, pilot);
  return {
    ...build,
    // Only what the box holds is to stand in the way.
    rules: { locked: [], noWashers: false, onePlug: false },
    box: { pilots, mains, shimsMm: halfGrooves ? [build.carburettor.needle.groovePitchMm / 2] : [] },
    ...(name === "methanol" && {
      heat: {
        exhaust: {
          idle: { targetK: 650, withinK: 25 },
          mid: { targetK: 760, withinK: 25 },
          top: { targetK: 840, withinK: 25 },
        },
      },
    }),
  };
}

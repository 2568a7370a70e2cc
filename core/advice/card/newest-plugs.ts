/** Findings on the newest plugs besides their tone: the newest of each cylinder, or of the engine as a whole. */
import { heatRangeSays, type HeatRangeSays } from "../../looks/heat-range.ts";
import type { Present } from "../../log/present.ts";
import type { PlugFinding } from "../../log/parts.ts";

export interface NewestPlugs {
  readonly findings: readonly PlugFinding[];
  readonly heatRange: HeatRangeSays | undefined;
}

/** A clean plug of one cylinder says nothing of its neighbour's; one read without a number speaks for all. */
export function newestPlugs({ looks }: Present): NewestPlugs {
  const plugs = looks.flatMap(({ entry: { reading, cylinder } }) =>
    reading.type === "plug" ? [{ reading, cylinder }] : [],
  );
  const newest = plugs.at(-1)?.reading;
  const whole = plugs.findLastIndex(({ cylinder }) => cylinder === undefined);
  const byCylinder = new Map(
    plugs.slice(Math.max(0, whole)).map(({ reading, cylinder }) => [cylinder, reading]),
  );
  const findings = [...byCylinder.values()].flatMap((reading) => reading.findings ?? []);
  return {
    findings: [...new Set(findings)],
    heatRange: newest && heatRangeSays(newest.tone, newest.places?.strap),
  };
}

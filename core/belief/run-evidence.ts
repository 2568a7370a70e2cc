/** Observations from timed runs: the ratio of power between two settings of a session, through the power curve. */
import type { Present, SeenRun } from "../log/present.ts";
import { normalLikelihood } from "../looks/likelihood.ts";
import { runContrasts, zonesOfRun, type RunGroup } from "../looks/run-groups.ts";
import { carburettorOf } from "../rig/carburettors.ts";
import { humidAirFromLog, settingFromLog } from "../rig/from-build.ts";
import { ZONES, type Zone } from "../carburettor/zones.ts";
import type { Evidence } from "./evidence.ts";
import type { Layout } from "./layout.ts";
import { buildAt, type Mixtures } from "./look-mixtures.ts";
import { UNKNOWNS_EACH } from "./unknowns.ts";

/** The power curve itself is known to a third. */
const CURVE_SHARE = 0.3;
/** Settings that the model hardly tells apart say nothing of the mixture, whatever the clock says. */
const SAYS_NOTHING_SD = 0.5;

/** A line along the long belief that is no average: a sum of what cylinders and zones add to the power. */
interface Sum {
  shift: number;
  row: Float64Array;
  /** the same if every error were 1 leaner */
  leaner: number;
  readonly byZone: Map<Zone, number>;
}

/** @returns what the n-th setting gains on the first, and by how much it moved the mixture */
function gainLine(
  present: Present,
  layout: Layout,
  mixtureOf: Mixtures,
  first: SeenRun,
  other: SeenRun,
): Sum {
  const build = buildAt(present.knownBuilds, first.build);
  const shares = zonesOfRun(first.entry.run, build);
  const sum: Sum = { shift: 0, row: new Float64Array(layout.size), leaner: 0, byZone: new Map() };
  for (let c = 0; c < layout.cylinders; c += 1) {
    const carburettor = carburettorOf(build, c);
    const at = (run: SeenRun) =>
      mixtureOf(run.build, carburettor, run.air)(settingFromLog(run.settings[carburettor] ?? run.setting));
    const [was, is] = [at(first), at(other)];
    for (const zone of ZONES) {
      const delta = is[zone].shift - was[zone].shift;
      const factor = (-2 * delta * shares[zone]) / layout.cylinders;
      if (factor === 0) continue;
      sum.shift += (factor * (was[zone].shift + is[zone].shift)) / 2;
      was[zone].row.forEach((x, i) => {
        const place = c * UNKNOWNS_EACH + i;
        sum.row[place] = (sum.row[place] ?? 0) + (factor * (x + (is[zone].row[i] ?? 0))) / 2;
      });
      sum.leaner += factor;
      sum.byZone.set(zone, (sum.byZone.get(zone) ?? 0) + Math.abs(factor));
    }
  }
  return sum;
}

const movedBy = (line: Sum | undefined): number =>
  [...(line?.byZone.values() ?? [])].reduce((sum, x) => sum + x, 0);

const lnDryDensity = ({ air }: SeenRun): number => (air ? Math.log(humidAirFromLog(air).dryDensityKgM3) : 0);

/** @returns one thing said for every setting but the first, each with an error of its own */
export function runEvidence(
  group: RunGroup,
  present: Present,
  layout: Layout,
  mixtureOf: Mixtures,
): Evidence[] {
  const { runs } = group;
  const { settings, contrasts } = runContrasts(group, lnDryDensity);
  const [first, ...others] = settings;
  if (!first) return [];
  const lines = others.map((other) => gainLine(present, layout, mixtureOf, first, other));
  const last = runs.at(-1) ?? first;
  return contrasts.flatMap(({ weights, mean }): Evidence[] => {
    const leaner = weights.reduce((sum, weight, k) => sum + weight * (lines[k]?.leaner ?? 0), 0);
    const all = weights.reduce((sum, weight, k) => sum + Math.abs(weight) * movedBy(lines[k]), 0);
    // One part leaner and another richer: what they moved counts, not what is left of it.
    const moved = leaner < 0 ? -all : all;
    if (!(all * SAYS_NOTHING_SD > 1)) return [];
    const row = new Float64Array(layout.size);
    let shift = 0;
    const byZone = new Map<Zone, number>();
    weights.forEach((weight, k) => {
      const line = lines[k];
      if (!line) return;
      // In the scale of the mixture: the error halfway between the settings, where the change weighs most.
      shift += (weight * line.shift) / moved;
      line.row.forEach((x, i) => (row[i] = (row[i] ?? 0) + (weight * x) / moved));
      for (const [zone, x] of line.byZone) byZone.set(zone, (byZone.get(zone) ?? 0) + Math.abs(weight) * x);
    });
    const reads = mean / moved;
    const variance = 1 / (moved * moved) + (CURVE_SHARE * reads) ** 2;
    const zone = [...byZone].sort((a, b) => b[1] - a[1])[0]?.[0] ?? "top";
    return [
      {
        lookId: last.entry.id,
        zone,
        line: { shift, row },
        likelihood: normalLikelihood(reads, variance),
        shifts: new Map([[0, shift]]),
      },
    ];
  });
}

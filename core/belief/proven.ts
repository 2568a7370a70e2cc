/** A setting that is known to be right is a look in every zone at once, as sure as it is known. */
import { humidAir, type HumidAir } from "../air/humid-air.ts";
import { ZONES } from "../carburettor/zones.ts";
import type { SeenProven } from "../log/present.ts";
import type { Build, Proven, Setting } from "../log/schema.ts";
import { normalLikelihood } from "../looks/likelihood.ts";
import type { ZoneMixture } from "../looks/line.ts";
import { buildOfCarburettor, carburettorOf } from "../rig/carburettors.ts";
import { humidAirFromLog, settingFromLog } from "../rig/from-build.ts";
import type { Evidence } from "./evidence.ts";
import type { Frame } from "./frame.ts";
import { lineOver, type Layout } from "./layout.ts";
import { zoneMixture } from "./mixture.ts";

/** Makers jet a shade rich; plugs or a λ figure leave little doubt. */
const KNOWN: Readonly<Record<Exclude<Proven, "guess">, { readonly mean: number; readonly sd: number }>> = {
  book: { mean: -0.01, sd: 0.05 },
  ranWell: { mean: 0, sd: 0.035 },
  measured: { mean: 0, sd: 0.02 },
};

interface WasRight {
  readonly id: string;
  readonly how: Proven;
  readonly build: Build;
  /** one a carburettor */
  readonly settings: readonly Setting[];
  /** none: of each frame's own reference */
  readonly air: HumidAir | undefined;
}

/** @returns one look a zone, at the mean of all cylinders; none for a guess */
export function provenEvidence(
  { id, how, build, settings, air }: WasRight,
  frames: readonly Frame[],
  layout: Layout,
): Evidence[] {
  if (how === "guess") return [];
  const { mean, sd } = KNOWN[how];
  const mixtures = new Map<number, ReturnType<ZoneMixture>>();
  for (let c = 0; c < layout.cylinders; c += 1) {
    const carburettor = carburettorOf(build, c);
    const [frame, setting] = [frames[carburettor], settings[carburettor]];
    if (!frame || !setting || mixtures.has(carburettor)) continue;
    const one = buildOfCarburettor(build, carburettor);
    mixtures.set(carburettor, zoneMixture(frame, one, air ?? frame.air)(settingFromLog(setting)));
  }
  return ZONES.map((zone) => {
    const lines = Array.from({ length: layout.cylinders }, (_, c) => {
      const at = mixtures.get(carburettorOf(build, c)) ?? [...mixtures.values()][0];
      if (!at) throw new RangeError(`a proven setting must be of a carburettor, got none`);
      return [c, at[zone]] as const;
    });
    return {
      lookId: id,
      zone,
      line: lineOver(new Map(lines), layout),
      likelihood: normalLikelihood(mean, sd * sd),
      shifts: new Map(lines.map(([c, { shift }]) => [carburettorOf(build, c), shift])),
    };
  });
}

/** @returns what a logged "this was right here" says */
export function provenLater(
  { entry, settings, air, build }: SeenProven,
  builds: readonly Build[],
  frames: readonly Frame[],
  layout: Layout,
): Evidence[] {
  const on = builds[build];
  if (!on) throw new RangeError(`build must be in 0..${builds.length - 1}, got ${build}`);
  const then = entry.air ? humidAir(entry.air) : air && humidAirFromLog(air);
  return provenEvidence({ id: entry.id, how: entry.how, build: on, settings, air: then }, frames, layout);
}

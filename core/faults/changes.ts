/** Changes before a look, and the shift that the model gives them: a fault may have begun with one. */
import type { Zone } from "../carburettor/zones.ts";
import type { Mixtures } from "../belief/look-mixtures.ts";
import { PARTS, type Part } from "../log/parts.ts";
import type { Present, SeenLook } from "../log/present.ts";
import type { Setting } from "../log/schema.ts";
import { settingFromLog } from "../rig/from-build.ts";

/** One part set to another value, or an air jet that is another one. */
export interface SeenChange {
  readonly at: string;
  readonly what: Part | "airJet";
  /** the build it was made on; of an air jet: the one that has it */
  readonly build: number;
  readonly before: readonly Setting[];
}

const airJetsOf = ({ carburettor }: Present["knownBuilds"][number]): unknown => [
  carburettor.pilotAirJetMm,
  carburettor.mainAirJetMm,
];

/** @returns every change of a log, in order */
export function changesOf({ fits, builds, knownBuilds }: Present): SeenChange[] {
  const parts = fits.flatMap(({ entry, befores, afters, build }): SeenChange[] =>
    PARTS.filter((part) => befores.some((before, i) => before[part] !== afters[i]?.[part])).map((what) => ({
      at: entry.at,
      what,
      build,
      before: befores,
    })),
  );
  const airJets = builds.flatMap(({ at }, i): SeenChange[] => {
    const [was, is] = [knownBuilds[i - 1], knownBuilds[i]];
    const changed = was && is && JSON.stringify(airJetsOf(was)) !== JSON.stringify(airJetsOf(is));
    return changed ? [{ at, what: "airJet", build: i, before: [] }] : [];
  });
  return [...parts, ...airJets].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

/**
 * @returns from a look and a change before it to what the model says that change did there, log mixture, + leaner;
 *   0 where it came later or was undone
 */
export function effectOfChanges(mixtureOf: Mixtures) {
  return (look: SeenLook, zone: Zone, { at, what, build, before }: SeenChange): number => {
    if (Date.parse(look.entry.at) < Date.parse(at)) return 0;
    const setting = settingFromLog(look.setting);
    const now = mixtureOf(look.build, 0, look.air)(setting)[zone].shift;
    if (what === "airJet") {
      if (look.build !== build) return 0;
      return now - mixtureOf(build - 1, 0, look.air)(setting)[zone].shift;
    }
    const [was] = before;
    if (!was || look.build !== build || was[what] === look.setting[what]) return 0;
    const without = settingFromLog({ ...look.setting, [what]: was[what] });
    return now - mixtureOf(look.build, 0, look.air)(without)[zone].shift;
  };
}

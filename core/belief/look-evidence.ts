/** From a logged look to evidence about the long belief of all cylinders. */
import type { Present, SeenLook } from "../log/fold.ts";
import type { Build } from "../log/schema.ts";
import type { Said } from "../looks/look-kind.ts";
import { instrumentOf, whatIsSaid } from "../looks/registry.ts";
import type { TimedLook } from "../looks/timed-runs.ts";
import { buildOfCarburettor, carburettorOf } from "../rig/carburettors.ts";
import { settingFromLog } from "../rig/from-build.ts";
import type { Evidence } from "./evidence.ts";
import { slopeFor, type LearntHeat } from "./heat-slopes.ts";
import { lineOver, placeOfInstrument, type Layout } from "./layout.ts";
import { buildAt, type Mixtures } from "./look-mixtures.ts";

/** Taken by somebody, or told by the clock. */
export type Look = SeenLook | TimedLook;

/** What one carburettor's machine makes of a look. */
interface Through {
  readonly said: readonly Said[];
  /** the model's shift of what was fitted, by zone of what is said */
  readonly shifts: readonly number[];
}

/** @returns a function from a look to its evidence, one item a zone it speaks of */
export function evidenceMaker(
  present: Present,
  layout: Layout,
  mixtureOf: Mixtures,
  learnt: ReadonlyMap<string, LearntHeat>,
): (look: Look) => Evidence[] {
  const through = (look: Look, build: Build, carburettor: number): Through => {
    const setting = settingFromLog(look.settings[carburettor] ?? look.setting);
    const mixture = mixtureOf(look.build, carburettor, look.air);
    const said = whatIsSaid(look.entry.reading, {
      build: buildOfCarburettor(build, carburettor),
      mixtureOf: mixture,
      setting,
      before: settingFromLog(look.before?.[carburettor] ?? look.settings[carburettor] ?? look.setting),
      screwSchool: present.schools.screw,
      feel: "feel" in look ? look.feel : undefined,
      heatSlope: slopeFor(learnt, look, build),
    });
    const at = mixture(setting);
    return { said, shifts: said.map(({ zone }) => at[zone].shift) };
  };
  return (look) => {
    const build = buildAt(present.knownBuilds, look.build);
    const { id, cylinder, reading } = look.entry;
    const one = cylinder !== undefined && cylinder <= layout.cylinders ? [cylinder - 1] : undefined;
    const seen = one ?? Array.from({ length: layout.cylinders }, (_, i) => i);
    const made = new Map<number, Through>();
    const each = seen.map((c): readonly [cylinder: number, carburettor: number, Through] => {
      const carburettor = carburettorOf(build, c);
      const known = made.get(carburettor) ?? through(look, build, carburettor);
      made.set(carburettor, known);
      return [c, carburettor, known];
    });
    const instrument = instrumentOf(reading);
    const place = instrument && placeOfInstrument(layout, instrument);
    const first = each[0]?.[2].said ?? [];
    return first.map(({ zone, likelihood, silent }, i): Evidence => {
      const lines = each.flatMap(([c, , { said }]) => (said[i] ? [[c, said[i].line] as const] : []));
      const shifts = each.map(([, carburettor, own]) => [carburettor, own.shifts[i] ?? 0] as const);
      return {
        lookId: id,
        zone,
        likelihood,
        line: lineOver(new Map(lines), layout, place),
        shifts: new Map(shifts),
        ...(silent && { silent }),
      };
    });
  };
}

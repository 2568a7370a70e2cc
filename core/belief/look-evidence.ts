/** Turns a logged look into observations of the joint Gaussian over all cylinders. */
import type { Present, SeenLook } from "../log/present.ts";
import type { Build } from "../log/schema.ts";
import type { Observation } from "../looks/look-kind.ts";
import { instrumentOf, observationsOf } from "../looks/registry.ts";
import { buildOfCarburettor, carburettorOf } from "../rig/carburettors.ts";
import { settingFromLog } from "../rig/from-build.ts";
import type { Evidence } from "./evidence.ts";
import { slopeFor, warmerThen, type LearntHeat } from "./heat-slopes.ts";
import { lineOver, placeOfInstrument, type Layout } from "./layout.ts";
import { buildAt, type Mixtures } from "./look-mixtures.ts";

export type Look = SeenLook;

/** A jet is never quite what is stamped, a slide never seated twice alike: one setting in one air errs by so much. */
const SETTING_SD = 0.01;

/** What one carburettor's machine makes of a look. */
interface Through {
  readonly observations: readonly Observation[];
  /** the model's shift of what was fitted, by zone of what is said */
  readonly shifts: readonly number[];
}

/**
 * Better or worse is felt of the whole engine: each cylinder counts as far as the change moved it, and one whose
 * carburettor was not touched says nothing.
 */
function wholeMove(of: readonly (Observation & { readonly c: number })[]) {
  const likelihoodOf = of[0]?.moved?.likelihoodOf;
  const total = of.reduce((sum, { moved }) => sum + (moved?.by ?? 0), 0);
  if (!likelihoodOf || total === 0) return undefined;
  const by = new Map(of.map(({ c, moved }) => [c, (moved?.by ?? 0) / total]));
  return { likelihood: likelihoodOf(total / of.length), shareOf: (c: number) => by.get(c) ?? 0 };
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
    const observations = observationsOf(look.entry.reading, {
      build: buildOfCarburettor(build, carburettor),
      mixtureOf: mixture,
      setting,
      before: settingFromLog(look.before?.[carburettor] ?? look.settings[carburettor] ?? look.setting),
      screwSchool: present.schools.screw,
      heatSlope: slopeFor(learnt, look, build),
      warmerK: warmerThen(look, build),
    });
    const at = mixture(setting);
    return { observations, shifts: observations.map(({ zone }) => at[zone].shift) };
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
    const first = each[0]?.[2].observations ?? [];
    return first.map(({ zone, likelihood, silent }, i): Evidence => {
      const of = each.flatMap(([c, , { observations }]) =>
        observations[i] ? [{ c, ...observations[i] }] : [],
      );
      const lines = of.map(({ c, line }) => [c, line] as const);
      const whole = wholeMove(of);
      const shifts = each.map(([, carburettor, own]) => [carburettor, own.shifts[i] ?? 0] as const);
      return {
        lookId: id,
        zone,
        likelihood: whole?.likelihood ?? likelihood,
        line: lineOver(new Map(lines), layout, place, whole?.shareOf),
        shifts: new Map(shifts),
        ...(silent && { silent }),
        ...(reading.type !== "compared" && { sharedSd: SETTING_SD }),
      };
    });
  };
}

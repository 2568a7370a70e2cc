/**
 * What to look for when buying a part that no jet replaces: by its measures, not by anybody's name for it. What one
 * step of each measure does here, and the measure that would cure most.
 */
import { perZone, ZONES, type PerZone } from "../../carburettor/zones.ts";
import type { BenchPartKind } from "../../log/part-schema.ts";
import type { Build, LoggedCarburettor } from "../../log/schema.ts";
import { PART_MINUTES } from "../../rig/bench-part.ts";
import { checkCarburettor } from "../../rig/check-build.ts";
import { straightOf, withStraight, withTaperMoved } from "../../rig/needle-shape.ts";
import { CONTENT } from "../judge/judge-setting.ts";
import { LEAST_PART_CHANCE, partInTheEnd, type PartInTheEnd, type PartQuestion } from "./part-in-the-end.ts";
import { WORTH_MONEY } from "./to-buy.ts";

export const MEASURES = ["straight", "taper", "needleJet", "cutaway"] as const;
export type Measure = (typeof MEASURES)[number];

export interface MeasureToBuy {
  readonly measure: Measure;
  /** as it is fitted, mm: diameter of the straight, where its taper begins, bore of the needle jet, cutaway */
  readonly nowMm: number;
  /** in such steps parts differ, mm */
  readonly stepMm: number;
  /** what one step up does to each zone with the rest as it is fitted, + leaner */
  readonly stepEffect: PerZone<number>;
  /** the measure that would help most, where one is worth the money; none: nothing of this kind is wanted */
  readonly wanted?: { readonly toMm: number } & Pick<PartInTheEnd, "gain" | "chanceBetter">;
}

interface Way {
  readonly kind: BenchPartKind;
  readonly stepMm: number;
  /** tried up to so many steps either way */
  readonly steps: number;
  readonly now: (carburettor: LoggedCarburettor) => number | undefined;
  readonly moved: (carburettor: LoggedCarburettor, by: number) => LoggedCarburettor;
}

const rounded = (mm: number): number => Number(mm.toFixed(4));

const WAYS: Readonly<Record<Measure, Way>> = {
  straight: {
    kind: "needle",
    stepMm: 0.01,
    steps: 6,
    now: ({ needle }) => straightOf(needle).diameterMm,
    moved: (c, by) => ({ ...c, needle: withStraight(c.needle, by) }),
  },
  taper: {
    kind: "needle",
    stepMm: 1,
    steps: 3,
    now: ({ needle }) => straightOf(needle).endMm,
    moved: (c, by) => ({ ...c, needle: withTaperMoved(c.needle, by) }),
  },
  needleJet: {
    kind: "needleJet",
    stepMm: 0.02,
    steps: 4,
    now: ({ needleJetMm }) => needleJetMm,
    moved: (c, by) => ({ ...c, needleJetMm: rounded(c.needleJetMm + by) }),
  },
  cutaway: {
    kind: "slide",
    stepMm: 0.5,
    steps: 3,
    now: ({ slide }) => (slide.kind === "manual" ? slide.cutawayMm : undefined),
    moved: (c, by) =>
      c.slide.kind === "manual"
        ? { ...c, slide: { ...c.slide, cutawayMm: rounded(c.slide.cutawayMm + by) } }
        : c,
  },
};

/** @returns what comes of it, or nothing where no such machine can be */
function judged(question: PartQuestion, { kind, moved }: Way, by: number): PartInTheEnd | undefined {
  const { build } = question.group;
  const other: Build = { ...build, carburettor: moved(build.carburettor, by) };
  try {
    checkCarburettor(other, 0);
    return partInTheEnd(question, other, PART_MINUTES[kind]);
  } catch (error) {
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}

/** @returns each measure with what a step of it does, and the one that is wanted of it */
export function measuresToBuy(question: PartQuestion): MeasureToBuy[] {
  const { build } = question.group;
  return MEASURES.flatMap((measure): MeasureToBuy[] => {
    const way = WAYS[measure];
    const nowMm = way.now(build.carburettor);
    if (nowMm === undefined) return [];
    const { stepMm, steps } = way;
    const up = judged(question, way, stepMm);
    const down = up ?? judged(question, way, -stepMm);
    if (!down) return [];
    const stepEffect = up?.effect ?? perZone((zone) => -down.effect[zone]);
    // Where all is right there is nothing to look for: the shop is not searched.
    const wanting = ZONES.some((zone) => question.plan.card.right[zone] < CONTENT);
    const tried = wanting
      ? Array.from({ length: 2 * steps + 1 }, (_, i) => i - steps)
          .filter((n) => n !== 0)
          .flatMap((n) => {
            const found = judged(question, way, rounded(n * stepMm));
            return found ? [{ toMm: rounded(nowMm + n * stepMm), ...found }] : [];
          })
      : [];
    const [best] = tried
      .filter(
        ({ gain, chanceBetter, safe }) => safe && gain >= WORTH_MONEY && chanceBetter >= LEAST_PART_CHANCE,
      )
      .sort((a, b) => b.gain - a.gain);
    if (!best) return [{ measure, nowMm, stepMm, stepEffect }];
    const { toMm, gain, chanceBetter } = best;
    return [{ measure, nowMm, stepMm, stepEffect, wanted: { toMm, gain, chanceBetter } }];
  });
}

/** Whether a part in the box corrects a zone that no jet, groove or screw reaches. */
import { ZONES, type PerZone, type Zone } from "../../carburettor/zones.ts";
import type { BenchPart } from "../../log/part-schema.ts";
import { isFitted, PART_MINUTES } from "../../rig/bench-part.ts";
import type { Judged } from "../judge/judge-setting.ts";
import { LEAST_GAIN } from "../plan/plan.ts";
import type { Swap } from "../ride/next-look.ts";
import { LEAST_PART_CHANCE, partInTheEnd, type PartInTheEnd, type PartQuestion } from "./part-in-the-end.ts";
import { buildWithPart, tryPart } from "./parts-on-bench.ts";

export interface PartStep {
  readonly part: BenchPart;
  readonly minutes: number;
  /** where it cures most */
  readonly zone: Zone;
  readonly effect: PerZone<number>;
  readonly gain: number;
  readonly chanceBetter: number;
}

export interface PartsToSwap {
  readonly swaps: readonly Swap[];
  /** the part most worth its work, where one surely enough is */
  readonly worthIt: PartStep | undefined;
}

interface Considered {
  readonly part: BenchPart;
  readonly inTheEnd: PartInTheEnd;
}

/** A part that is in already, or cannot be here, is none to swap. */
function consider(question: PartQuestion, part: BenchPart): Considered[] {
  const { build } = question.group;
  if (isFitted(build, part)) return [];
  try {
    const inTheEnd = partInTheEnd(question, buildWithPart(build, part), PART_MINUTES[part.kind]);
    return [{ part, inTheEnd }];
  } catch (error) {
    if (error instanceof RangeError) return [];
    throw error;
  }
}

/** The zone whose chance of being right grows most. */
function zoneCured(before: Judged, after: Judged): Zone {
  const grown = (zone: Zone) => after.right[zone] - before.right[zone];
  return ZONES.reduce((most, zone) => (grown(zone) > grown(most) ? zone : most));
}

/** On the day it goes in the top must be safe too, with the doubt that another part brings. */
const isSafeOnTheDay = (question: PartQuestion, part: BenchPart): boolean => {
  const tried = tryPart(question, part);
  return tried.state === "tried" && tried.safe;
};

/** @returns none where the school leaves parts to the tuner */
export function partsToSwap(question: PartQuestion): PartsToSwap {
  if (question.open.present.schools.parts === "never") return { swaps: [], worthIt: undefined };
  const all = (question.group.build.box.parts ?? []).flatMap((part) => consider(question, part));
  const best = all
    .filter(({ inTheEnd: { gain, chanceBetter } }) => gain >= LEAST_GAIN && chanceBetter >= LEAST_PART_CHANCE)
    .sort((a, b) => b.inTheEnd.gain - a.inTheEnd.gain)
    .find(({ part }) => isSafeOnTheDay(question, part));
  const swaps = all.map(({ inTheEnd }) => inTheEnd);
  if (!best) return { swaps, worthIt: undefined };
  const { part, inTheEnd } = best;
  const { effect, gain, chanceBetter, card } = inTheEnd;
  const before = question.judge.judge(question.plan.card.setting);
  return {
    swaps,
    worthIt: {
      part,
      minutes: PART_MINUTES[part.kind],
      zone: zoneCured(before, card),
      effect,
      gain,
      chanceBetter,
    },
  };
}

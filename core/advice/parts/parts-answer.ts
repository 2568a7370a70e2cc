/** All answers of the parts screen: each part of the box, what to buy, which needle is nearest to which. */
import { matchNeedles, type NeedleMatch } from "../../rig/needle-match.ts";
import { modelIn } from "../../belief/frame.ts";
import type { LoggedNeedle } from "../../log/part-schema.ts";
import { airOf, groupOf, type Case } from "../judge/case.ts";
import { measuresToBuy, type MeasureToBuy } from "./measures-to-buy.ts";
import { partQuestion } from "./part-in-the-end.ts";
import { partsOnBench, type PartTried } from "./parts-on-bench.ts";

export interface PartsAnswer {
  readonly parts: readonly PartTried[];
  readonly buying: readonly MeasureToBuy[];
}

/** @param carburettor - from 0 */
export function partsAnswer(open: Case, carburettor = 0): PartsAnswer {
  const question = partQuestion(open, carburettor);
  return { parts: partsOnBench(question), buying: measuresToBuy(question) };
}

/** One of the needles that are compared: the one in the carburettor, or one of the box by its place there. */
export type WhichNeedle = "fitted" | number;

export interface NeedleNear extends Omit<NeedleMatch, "index"> {
  readonly which: WhichNeedle;
}

/**
 * @param wanted - the needle that the others are to come near to, in the groove it stands in (from the box: the one
 *   it was measured in)
 * @returns the others, the nearest first; what cannot be in this carburettor is left out
 * @throws {RangeError} if the wanted one is none, or cannot be here
 */
export function nearestNeedles(open: Case, wanted: WhichNeedle, carburettor = 0): NeedleNear[] {
  const group = groupOf(open, carburettor);
  const { build, fitted, frame } = group;
  const air = airOf(open.present.air, frame);
  const { needle } = build.carburettor;
  const boxed = (build.box.parts ?? []).flatMap((part, which) =>
    part.kind === "needle" ? [{ which: which, needle: part.needle }] : [],
  );
  const all: { readonly which: WhichNeedle; readonly needle: LoggedNeedle }[] = [
    { which: "fitted", needle },
    ...boxed.filter(({ needle: one }) => JSON.stringify(one) !== JSON.stringify(needle)),
  ];
  const target = wanted === "fitted" ? needle : boxed.find(({ which }) => which === wanted)?.needle;
  if (!target) throw new RangeError(`needle must be one of the box, got part ${wanted}`);
  const others = all.filter(({ needle: one }) => JSON.stringify(one) !== JSON.stringify(target));
  const clip = wanted === "fitted" ? fitted.clip : target.referenceClip;
  const matches = matchNeedles(
    modelIn(frame, build),
    fitted,
    air,
    { needle: target, clip },
    others.map(({ needle: one }) => one),
  );
  return matches.flatMap(({ index, ...match }) => {
    const other = others[index];
    return other ? [{ which: other.which, ...match }] : [];
  });
}

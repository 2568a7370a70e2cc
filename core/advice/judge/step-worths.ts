/** The effect of one step of each part on this engine, as a factor on what its measures give. */
import { PRIOR_SD, UNKNOWNS, type Belief, type Unknown } from "../../belief/unknowns.ts";

export interface Worth {
  readonly part: "screwTurns" | "clip" | "main";
  /** of what is computed: 1 as computed, 1.3 a third more */
  readonly factor: number;
  readonly sd: number;
  /** enough was seen of its own changes to say so */
  readonly learnt: boolean;
  /** so far from what is computed that the part was not measured right */
  readonly notAsMeasured: boolean;
}

const OF: readonly (readonly [Worth["part"], Unknown])[] = [
  ["screwTurns", "screwWorth"],
  ["clip", "clipWorth"],
  ["main", "mainWorth"],
];
/** A third of the doubt is gone, or it is off by more than what is left of it. */
const LEARNT_SHARE = 0.67;
const NOT_MEASURED_SDS = 2;
/** Closer than this a step is worth what is computed. */
const LEAST_OFF = 0.1;

/** @param belief - of one cylinder, or of the mean of some */
export function worthsOf({ mean, covariance }: Belief): Worth[] {
  const size = mean.length;
  return OF.map(([part, unknown]) => {
    const place = UNKNOWNS.indexOf(unknown);
    const off = mean[place] ?? 0;
    const sd = Math.sqrt(covariance[place * size + place] ?? 0);
    const seen = sd <= LEARNT_SHARE * PRIOR_SD[unknown] || Math.abs(off) >= sd;
    return {
      part,
      factor: 1 + off,
      sd,
      learnt: seen && Math.abs(off) >= LEAST_OFF,
      notAsMeasured: Math.abs(off) > NOT_MEASURED_SDS * PRIOR_SD[unknown],
    };
  });
}

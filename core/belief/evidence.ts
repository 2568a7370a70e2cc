/** One observation as the update uses it: a linear form of the unknowns and a likelihood along that form. */
import type { Zone } from "../carburettor/zones.ts";
import type { Likelihood } from "../looks/likelihood.ts";
import type { Line } from "../looks/line.ts";

export interface Evidence {
  readonly lookId: string;
  readonly zone: Zone;
  /** along the long belief */
  readonly line: Line;
  readonly likelihood: Likelihood;
  /** sd that all looks along this line share, besides what each errs by itself */
  readonly sharedSd?: number;
  /** the model's own shift then, without what is not known, through each carburettor (from 0) it speaks of */
  readonly shifts: ReadonlyMap<number, number>;
  /** weighs nothing by itself */
  readonly silent?: true;
}

/**
 * What the judgement asks of every fault that no jet cures. One file a fault, one table of them in registry.ts.
 * A fault is a hypothesis: it adds so much to the mixture error of a look, of a size that is not known; it makes
 * some symptoms, answers and findings likely; and one check of the walk-round proves it.
 */
import type { PerZone, Zone } from "../carburettor/zones.ts";
import type { FaultName } from "../log/fault-names.ts";
import type { QuestionName } from "../log/question-names.ts";
import type { PlugFinding } from "../log/parts.ts";
import type { Symptom } from "../log/symptom-names.ts";
import type { CheckName, FindingName } from "../log/walk-round-names.ts";
import type { WorkName } from "../log/epochs.ts";
import type { Reading } from "../log/schema.ts";
import type { SeenChange } from "./changes.ts";

/** The last changes of a log that a fault may have come with. */
export const LAST_CHANGES = 6;

/** One thing that was said along one line, as a hypothesis sees it. */
export interface Seen {
  readonly at: string;
  readonly zone: Zone;
  /** of what kind it was; none: a setting that was said to be right */
  readonly type: Reading["type"] | undefined;
  /** counted from 1; none: the engine as a whole */
  readonly cylinder: number | undefined;
  /** what a change that was made before this look did to it, by the model; 0 where it is not, or no longer, fitted */
  readonly didTo: (change: SeenChange) => number;
}

/** How large a fault is, where its shape is 1: log mixture, + lean. */
export interface FaultSize {
  readonly mean: number;
  readonly sd: number;
}

/** One way for a fault to be: of a size about so large, with this share of each look. */
export interface FaultCase {
  readonly size: FaultSize;
  readonly shareOf: (seen: Seen) => number;
  /** what it does besides, whatever its size: what a screw that is behind dirt no longer does */
  readonly besides?: (seen: Seen) => number;
  /** the change it came with */
  readonly change?: SeenChange;
  /** questions whose answer says nothing of it, where it is so */
  readonly notAnsweredBy?: readonly QuestionName[];
  /** counted from 1: the one cylinder it sits on */
  readonly cylinder?: number;
  /** where this way of it is looked for first, where not where the fault usually is */
  readonly check?: CheckName;
}

/** What the log offers a fault to hang itself on. */
export interface FaultGround {
  readonly cylinders: number;
  /** what a hole of a fixed size behind the slide adds on this rig, 1 at idle */
  readonly fades: PerZone<number>;
  /** since it may have begun, in order */
  readonly changes: readonly SeenChange[];
}

export interface FaultKind {
  readonly name: FaultName;
  /** chance before anything was seen */
  readonly prior: number;
  /** the check of the walk-round that proves it */
  readonly check: CheckName;
  /** others whose finding is as good, or whose pass clears it */
  readonly alsoChecks?: readonly CheckName[];
  /** what that check then finds */
  readonly findings: readonly FindingName[];
  /** @returns the ways it can be on this rig; none where it cannot be at all */
  readonly cases: (ground: FaultGround) => readonly FaultCase[];
  /** it is there only since a change: every other one may have begun at any time */
  readonly beginsWithChange?: true;
  /** chance that a ride with it shows this, whatever the mixture */
  readonly makes: Readonly<Partial<Record<Symptom, number>>>;
  /** chance of "yes" with it */
  readonly answers: Readonly<Partial<Record<QuestionName, number>>>;
  /** chance of such a plug with it */
  readonly plugs?: Readonly<Partial<Record<PlugFinding, number>>>;
  /** work that ends it */
  readonly endedBy?: readonly WorkName[];
}

/** A shape over the throttle that every look shares. */
export function everyLook(shape: Readonly<Record<Zone, number>>): (seen: Seen) => number {
  return ({ zone }) => shape[zone];
}

/** @returns what is missing of all that was done since to these parts, where only a share of it still works */
export function unappliedChanges(
  { changes }: FaultGround,
  parts: readonly SeenChange["what"][],
  missing: number,
): (seen: Seen) => number {
  // From where each part stood first: later changes of it are in that already.
  const first = parts.flatMap((part) => changes.find(({ what }) => what === part) ?? []);
  return ({ didTo }) => first.reduce((sum, change) => sum - missing * didTo(change), 0);
}

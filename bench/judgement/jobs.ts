/** Messages to the bench's threads. */
import type { FaultOutcome, Outcome } from "#core/simulator/trial.ts";
import { faultyEngine, mendedEngine, type Seeded } from "./fault-trials.ts";
import {
  newAir,
  taughtAir,
  unknownEngine,
  wrongNeedleEngine,
  type Needles,
  type NewAir,
  type Policy,
  type Task,
  type UnknownKind,
  type Worded,
} from "./trials.ts";

export type Job =
  | { readonly what: "newAir"; readonly task: Task; readonly kind: Worded }
  | { readonly what: "taughtAir"; readonly task: Task; readonly airSensitivitySd: number }
  | { readonly what: "fault"; readonly task: Task; readonly seeded: Seeded }
  | { readonly what: "mended"; readonly task: Task; readonly seeded: Seeded }
  | { readonly what: "wrongNeedle"; readonly task: Task; readonly needles: Needles }
  | { readonly what: "unknown"; readonly task: Task; readonly policy: Policy; readonly kind: UnknownKind };

export type Result<J extends Job = Job> = J extends { what: "unknown" | "wrongNeedle" | "mended" }
  ? Outcome
  : J extends { what: "fault" }
    ? FaultOutcome
    : NewAir;

export function runJob(job: Job): NewAir | Outcome | FaultOutcome | undefined {
  switch (job.what) {
    case "newAir":
      return newAir(job.task, job.kind);
    case "taughtAir":
      return taughtAir(job.task, job.airSensitivitySd);
    case "fault":
      return faultyEngine(job.task, job.seeded);
    case "mended":
      return mendedEngine(job.task, job.seeded);
    case "wrongNeedle":
      return wrongNeedleEngine(job.task, job.needles);
    case "unknown":
      return unknownEngine(job.task, job.policy, job.kind);
  }
}

/** What a thread is asked, as plain data. */
import type { Outcome } from "#core/simulator/trial.ts";
import {
  newAir,
  taughtAir,
  unknownEngine,
  type NewAir,
  type Policy,
  type Task,
  type UnknownKind,
} from "./trials.ts";

export type Job =
  | { readonly what: "newAir"; readonly task: Task; readonly airSensitivitySd: number }
  | { readonly what: "taughtAir"; readonly task: Task; readonly airSensitivitySd: number }
  | { readonly what: "unknown"; readonly task: Task; readonly policy: Policy; readonly kind: UnknownKind };

export type Result<J extends Job = Job> = J extends { what: "unknown" } ? Outcome : NewAir;

export function runJob(job: Job): NewAir | Outcome {
  switch (job.what) {
    case "newAir":
      return newAir(job.task, job.airSensitivitySd);
    case "taughtAir":
      return taughtAir(job.task, job.airSensitivitySd);
    case "unknown":
      return unknownEngine(job.task, job.policy, job.kind);
  }
}

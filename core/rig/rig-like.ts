/** What another rig like this one begins with: its machine, places, limits and ways of working; its log is its own. */
import type { AirState } from "../air/humid-air.ts";
import type { Present } from "../log/present.ts";
import { USUAL_SCHOOLS, type School } from "../log/schools.ts";
import type { Build, Setting } from "../log/schema.ts";
import { assumablePaths } from "./assumed.ts";

export interface LikeWanted {
  /** copied as it is, or to be described: then every value of it is assumed */
  readonly carburettor: "same" | "anew";
  /** what this engine's log has learnt of its answer to the air, if it is to come along */
  readonly airAnswer?: Build["airAnswer"];
}

const LEAST_SD = 0.02;
const MOST_SD = 0.15;
/** Two engines of one kind are not one engine: so much doubt comes on top of what was learnt. */
const OTHER_ENGINE_SD = 0.05;

/** @returns what was learnt, with the doubt that another engine brings */
export function airAnswerFor({
  mean,
  sd,
}: {
  readonly mean: number;
  readonly sd: number;
}): NonNullable<Build["airAnswer"]> {
  return {
    mean: Math.min(1, Math.max(-1, mean)),
    sd: Math.min(MOST_SD, Math.max(LEAST_SD, Math.hypot(sd, OTHER_ENGINE_SD))),
  };
}

/** @returns the build it begins with: what is fitted now in today's air, and nothing but a guess */
export function buildLike(
  build: Build,
  setting: Setting,
  air: AirState | undefined,
  wanted: LikeWanted,
): Build {
  const machine = { ...build };
  delete machine.airAnswer;
  const like: Build = {
    ...machine,
    baseline: { setting, air: air ?? build.baseline.air, proven: "guess" },
    ...(wanted.airAnswer && { airAnswer: wanted.airAnswer }),
  };
  const carburettor = assumablePaths(like).filter((path) => path.startsWith("carburettor."));
  const assumed =
    wanted.carburettor === "same"
      ? (build.assumed ?? [])
      : [...new Set([...(build.assumed ?? []), ...carburettor])];
  return { ...like, ...(assumed.length > 0 && { assumed }) };
}

/** @returns the schools that were chosen here, as entries say them */
export function schoolsLike({ schools }: Pick<Present, "schools">): School[] {
  const { lookWith, ...named } = schools;
  const chosen = Object.entries(named).flatMap(([what, is]) =>
    USUAL_SCHOOLS[what as keyof typeof named] === is ? [] : [{ what, is } as School],
  );
  return lookWith ? [...chosen, { what: "lookWith", is: [...lookWith] }] : chosen;
}

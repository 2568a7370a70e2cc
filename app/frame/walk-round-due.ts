/** Whether today's walk-round is still owed, and what waits for it. */
import { dayOf } from "#core/log/schema.ts";
import { CHECKS } from "#core/log/walk-round-names.ts";
import { localInstant } from "#app/journal/clock.ts";
import type { RigContext } from "./use-rig.ts";

type Owing = Pick<RigContext, "present" | "preferences" | "header">;

const today = (): string => dayOf(localInstant());

/** @returns whether nothing was checked today, nothing stops the rig, and it was not put off for today */
export const isWalkRoundDue = ({ present, preferences, header }: Owing): boolean =>
  present.held.length === 0 &&
  preferences.walkRoundPutOff[header.id] !== today() &&
  !Object.values(present.checks).some(({ at }) => dayOf(at) === today());

/** @returns whether the day's first change is asked about before it is logged */
export const isFirstChangeAsked = (owing: Owing): boolean =>
  isWalkRoundDue(owing) &&
  owing.present.lines
    .findLast(({ entry, struck }) => entry.kind === "fit" && !struck)
    ?.entry.at.slice(0, 10) !== today();

export const WALK_ROUND_OWED = `Not walked round yet: ${CHECKS.length} checks, ten minutes. A fault teaches the wrong lesson.`;

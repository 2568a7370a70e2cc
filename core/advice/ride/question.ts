/** All that the plan and the next look are asked about one group of carburettors in one air. */
import type { HumidAir } from "../../air/humid-air.ts";
import type { Present } from "../../log/present.ts";
import type { Case, Group } from "../judge/case.ts";
import { choices, lockedParts } from "../plan/choices.ts";
import type { SettingJudge } from "../judge/judge-setting.ts";
import { lookMeans } from "./means.ts";
import { screwStep } from "../plan/moves.ts";
import type { LookQuestion } from "./next-look.ts";
import { safetyRule } from "../judge/safety.ts";

/** The same hand has told this setting in this air: a second ride says what the first did. */
function alreadyReported({ looks, settings, air }: Present): boolean {
  return looks.some(
    (look) =>
      look.entry.reading.type === "rideReport" &&
      look.air?.id === air?.id &&
      JSON.stringify(look.settings) === JSON.stringify(settings),
  );
}

export function questionOf(open: Case, group: Group, judge: SettingJudge, air: HumidAir): LookQuestion {
  const { present, replayed } = open;
  const { build, fitted, cylinders } = group;
  return {
    judge,
    build,
    fitted,
    options: choices(build, fitted, lockedParts(build), screwStep(judge, fitted)),
    isSafe: safetyRule(open, group, judge, air),
    changes: present.schools.changes,
    order: present.schools.order,
    joint: replayed.joint,
    layout: replayed.layout,
    cylinders,
    means: lookMeans(present, build).filter((means) => means !== "rideReport" || !alreadyReported(present)),
    seen: present.looks.map(({ entry }) => entry.reading),
  };
}

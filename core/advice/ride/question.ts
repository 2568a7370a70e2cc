/** The inputs of plan and next look for one group of carburettors in one air. */
import type { HumidAir } from "../../air/humid-air.ts";
import type { Present } from "../../log/present.ts";
import { askedAs, NEXT_LOOKS } from "../../looks/registry.ts";
import type { Zone } from "../../carburettor/zones.ts";
import { zonesOf } from "../../log/readings/reading.ts";
import type { Case, Group } from "../judge/case.ts";
import { choices, lockedParts } from "../plan/choices.ts";
import type { SettingJudge } from "../judge/judge-setting.ts";
import { lookMeans } from "./means.ts";
import { screwStep } from "../plan/moves.ts";
import type { LookQuestion } from "./next-look.ts";
import { safetyRule, untilTopIsRead, type ReadFirst } from "../judge/safety.ts";

/** @returns how often a kind of look was taken of a zone, of what is fitted and in this air */
function takenOf({ looks, settings, air }: Present): LookQuestion["taken"] {
  const fitted = JSON.stringify(settings);
  const times = new Map<string, number>();
  for (const { entry, air: then, settings: had } of looks) {
    if (then?.id !== air?.id || JSON.stringify(had) !== fitted) continue;
    const how = askedAs(entry.reading);
    for (const zone of how === undefined ? [] : zonesOf(entry.reading)) {
      const key = `${how} ${zone} ${entry.cylinder ?? ""}`;
      times.set(key, (times.get(key) ?? 0) + 1);
    }
  }
  return (how, zone, cylinder) => times.get(`${how} ${zone} ${cylinder ?? ""}`) ?? 0;
}

/** @returns where the newest idle bench of this carburettor, as it is fitted and in this air, found the screw to belong */
function benchedTurns({ looks, air, schools }: Present, { carburettors, fitted }: Group): number | undefined {
  const [first = 0] = carburettors;
  const idle = looks.findLast(({ entry }) => zonesOf(entry.reading).includes("idle"));
  const { reading } = idle?.entry ?? {};
  const had = idle?.settings[first];
  if (reading?.type !== "bestIdle" || !had || idle?.air?.id !== air?.id) return undefined;
  if (JSON.stringify({ ...had, screwTurns: 0 }) !== JSON.stringify({ ...fitted, screwTurns: 0 }))
    return undefined;
  const { fallInTurns, fallOutTurns, crestTurns } = reading;
  const byCrest = schools.screw === "highest" || schools.screw === "touchRich";
  return byCrest && crestTurns !== undefined ? crestTurns : (fallInTurns + fallOutTurns) / 2;
}

/** @returns whether a look of this tuner's shows that zone */
export function canLookAt(
  zone: Zone,
  { present }: Case,
  { build }: Group,
  looks: typeof NEXT_LOOKS = NEXT_LOOKS,
): boolean {
  const means = lookMeans(present, build);
  return looks.some(
    (kind) => means.includes(kind.means) && kind.rides(build).some((zones) => zones.includes(zone)),
  );
}

const READ = NEXT_LOOKS.filter(({ byFeel }) => !byFeel);

/** @returns what waits until the top was read; nothing where no look of this tuner's reads it */
export const readFirstOf = (open: Case, group: Group): ReadFirst | undefined =>
  canLookAt("top", open, group, READ) ? untilTopIsRead(open, group) : undefined;

export function questionOf(open: Case, group: Group, judge: SettingJudge, air: HumidAir): LookQuestion {
  const { present, replayed } = open;
  const { build, fitted, cylinders } = group;
  return {
    judge,
    build,
    fitted,
    options: choices(build, fitted, lockedParts(build), screwStep(judge, fitted)),
    isSafe: safetyRule(open, group, judge, air),
    readFirst: readFirstOf(open, group),
    changes: present.schools.changes,
    order: present.schools.order,
    benchedTurns: benchedTurns(present, group),
    joint: replayed.joint,
    layout: replayed.layout,
    cylinders,
    means: lookMeans(present, build),
    taken: takenOf(present),
    seen: present.looks.map(({ entry }) => entry.reading),
  };
}

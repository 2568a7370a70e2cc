/**
 * Compares two days: splits the mixture difference of each zone into air, parts, and the engine itself (or what has
 * been learnt of it since).
 */
import { groupOf, openCase, type Case } from "../advice/judge/case.ts";
import { beliefsOf, settingJudge } from "../advice/judge/judge-setting.ts";
import { memoryLike, type ReplayMemory } from "../belief/replay.ts";
import { perZone, type PerZone } from "../carburettor/zones.ts";
import { airsRead } from "../log/airs-read.ts";
import { dayOf, type AirEntry, type Build, type Entry, type Setting } from "../log/schema.ts";
import { humidAirFromLog } from "../rig/from-build.ts";

export interface DaySide {
  readonly day: string;
  readonly air: AirEntry;
  readonly setting: Setting;
  readonly looks: number;
  /** as it was believed at the end of that day: 0 on target, + lean */
  readonly zones: PerZone<{ readonly mean: number; readonly sd: number }>;
}

export interface DaysCompared {
  readonly a: DaySide;
  readonly b: DaySide;
  /** what moved the mixture from the one to the other, + leaner; the three add to the difference of the two */
  readonly air: PerZone<number>;
  readonly parts: PerZone<number>;
  readonly engine: PerZone<number>;
}

/** @returns days that can be held side by side: an air was read on each, the newest first */
export function comparableDays({ present }: Pick<Case, "present">): string[] {
  return [...new Set(airsRead(present).map(({ at }) => dayOf(at)))].sort().reverse();
}

/** Nothing came after that day, and nothing was struck through: the log as it stands is the log as it stood. */
const isAllOf = ({ present }: Case, day: string): boolean =>
  present.lines.every(({ entry, struck }) => !struck && dayOf(entry.at) <= day);

/** The log as it stood when a day was over, but for what has been struck through since. */
const upTo = ({ present }: Case, day: string): Entry[] =>
  present.lines.flatMap(({ entry, struck }) =>
    !struck && entry.kind !== "strike" && dayOf(entry.at) <= day ? [entry] : [],
  );

interface Side {
  readonly told: DaySide;
  readonly opened: Case;
  readonly build: Build;
}

function sideOf(open: Case, day: string, carburettor: number, memory: ReplayMemory | undefined): Side {
  // A copy: a shorter log would cut off what the whole one still needs.
  const known = memory && { memory: memoryLike(memory) };
  const opened = isAllOf(open, day) ? open : openCase(upTo(open, day), { messages: open.heard, ...known });
  const { air, looks } = opened.present;
  if (!air || dayOf(air.at) !== day)
    throw new RangeError(`day must be one on which an air was read, got ${day}`);
  const group = groupOf(opened, carburettor);
  const judge = settingJudge(
    group.frame,
    group.build,
    beliefsOf(opened.replayed.joint, group.cylinders),
    humidAirFromLog(air),
  );
  const { zones } = judge.judge(group.fitted);
  const there = looks.filter(({ entry }) => dayOf(entry.at) === day).length;
  return { opened, build: group.build, told: { day, air, setting: group.fitted, looks: there, zones } };
}

/**
 * @param memory - of the same log: its days are replayed once
 * @throws {RangeError} for a day on which no air was read
 */
export function compareDays(
  open: Case,
  dayA: string,
  dayB: string,
  carburettor = 0,
  memory?: ReplayMemory,
): DaysCompared {
  const [a, b] = [dayA, dayB].map((day) => sideOf(open, day, carburettor, memory)) as [Side, Side];
  // All by what is known at the later of the two: only then is the rest of the difference the engine's.
  const later = dayA > dayB ? a : b;
  const group = groupOf(later.opened, carburettor);
  const beliefs = beliefsOf(later.opened.replayed.joint, group.cylinders);
  const seen = ({ build }: Side, { setting }: DaySide, air: AirEntry): PerZone<number> => {
    const judge = settingJudge(group.frame, build, beliefs, humidAirFromLog(air));
    const { zones } = judge.judge(setting);
    return perZone((zone) => zones[zone].mean);
  };
  const first = seen(a, a.told, a.told.air);
  const inOtherAir = seen(a, a.told, b.told.air);
  const last = seen(b, b.told, b.told.air);
  return {
    a: a.told,
    b: b.told,
    air: perZone((zone) => inOtherAir[zone] - first[zone]),
    parts: perZone((zone) => last[zone] - inOtherAir[zone]),
    engine: perZone((zone) => first[zone] - a.told.zones[zone].mean + (b.told.zones[zone].mean - last[zone])),
  };
}

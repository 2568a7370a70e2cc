/** Two settings compared in one air under the present posterior. */
import { groupOf, type Case } from "../advice/judge/case.ts";
import { beliefsOf, settingJudge } from "../advice/judge/judge-setting.ts";
import { perZone, type PerZone } from "../carburettor/zones.ts";
import { changedParts } from "../log/settings.ts";
import { dayOf, type AirEntry, type Setting } from "../log/schema.ts";
import { checkSettingOn } from "../rig/check-setting.ts";
import { humidAirFromLog } from "../rig/from-build.ts";

/** A setting that was fitted, and until when. */
export interface FittedOnce {
  readonly setting: Setting;
  /** the last day that saw it fitted */
  readonly day: string;
}

export interface SettingSide {
  readonly setting: Setting;
  /** 0 on target, + lean */
  readonly zones: PerZone<{ readonly mean: number; readonly sd: number }>;
}

export interface SettingsCompared {
  readonly air: AirEntry;
  readonly a: SettingSide;
  readonly b: SettingSide;
  /** what the second does against the first, + leaner: of this, less is in doubt than of either */
  readonly parts: PerZone<number>;
}

/**
 * @param carburettor - from 0
 * @returns each setting once, the newest first
 */
export function settingsFitted({ present }: Pick<Case, "present">, carburettor = 0): FittedOnce[] {
  const last = present.lines.at(-1);
  const moments = [
    { settings: present.settings, entry: last?.entry },
    ...[...present.lines].reverse().map(({ befores, entry }) => ({ settings: befores, entry })),
  ];
  const found: FittedOnce[] = [];
  for (const { settings, entry } of moments) {
    const setting = settings[carburettor];
    if (!setting || !entry || found.some((one) => changedParts(one.setting, setting).length === 0)) continue;
    found.push({ setting, day: dayOf(entry.at) });
  }
  return found;
}

/**
 * @returns both in the newest air
 * @throws {RangeError} where no air was read, or the machine as it is now cannot have one of them
 */
export function compareSettings(open: Case, a: Setting, b: Setting, carburettor = 0): SettingsCompared {
  const { air } = open.present;
  if (!air) throw new RangeError("air must be read before settings are compared, got none");
  const group = groupOf(open, carburettor);
  for (const setting of [a, b]) checkSettingOn(group.build, setting);
  const judge = settingJudge(
    group.frame,
    group.build,
    beliefsOf(open.replayed.joint, group.cylinders),
    humidAirFromLog(air),
  );
  const [ofA, ofB] = [judge.judge(a).zones, judge.judge(b).zones];
  return {
    air,
    a: { setting: a, zones: ofA },
    b: { setting: b, zones: ofB },
    parts: perZone((zone) => ofB[zone].mean - ofA[zone].mean),
  };
}

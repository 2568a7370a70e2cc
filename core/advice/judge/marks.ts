/** Looks drawn on the strip: each shifted to where it would be with today’s setting in today’s air. */
import type { Zone } from "../../carburettor/zones.ts";
import type { SettingJudge } from "./judge-setting.ts";
import type { Group } from "./case.ts";

export interface Mark {
  readonly lookId: string;
  readonly zone: Zone;
  readonly reads: number;
}

export function marksOf({ evidence, carburettors, fitted }: Group, { lines }: SettingJudge): Mark[] {
  const now = lines(fitted);
  const [first = 0] = carburettors;
  return evidence.map(({ lookId, zone, shifts, likelihood }) => {
    const then = shifts.get(first) ?? [...shifts.values()][0] ?? 0;
    return { lookId, zone, reads: likelihood.reads - then + now[zone].shift };
  });
}

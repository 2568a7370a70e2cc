/** What the air is worth: to the engine, and to the setting that was right once. */
import { densityAltitude, powerLeft } from "../../air/air-worth.ts";
import type { HumidAir } from "../../air/humid-air.ts";
import type { PerZone } from "../../carburettor/zones.ts";
import type { Group } from "./case.ts";
import type { SettingJudge } from "./judge-setting.ts";

export interface AirWorth {
  readonly air: HumidAir;
  /** dry density over that of the baseline's day */
  readonly relativeDryDensity: number;
  readonly densityAltitudeM: number;
  readonly powerLeft: number;
  /** how the baseline setting would run in this air, by physics alone */
  readonly shift: PerZone<number>;
}

export function airWorth({ frame, build }: Group, { lines }: SettingJudge, air: HumidAir): AirWorth {
  const baseline = lines(build.baseline.setting);
  return {
    air,
    relativeDryDensity: air.dryDensityKgM3 / frame.air.dryDensityKgM3,
    densityAltitudeM: densityAltitude(air.densityKgM3),
    powerLeft: powerLeft(air),
    shift: {
      idle: baseline.idle.shift,
      low: baseline.low.shift,
      mid: baseline.mid.shift,
      top: baseline.top.shift,
    },
  };
}

/** The demo's enduro, number by number: worked out by the build from its log, as the card works it out. */
import { adviseOn } from "#core/advice/card/advise.ts";
import { groupOf, judgeOf, openCase } from "#core/advice/judge/case.ts";
import { humidAir } from "#core/air/humid-air.ts";
import { settingFromLog } from "#core/rig/from-build.ts";
import { shiftAt, prepareShift } from "#core/carburettor/mixture-shift.ts";
import { buildModel } from "#core/carburettor/model.ts";
import { PROBES } from "#core/carburettor/zones.ts";
import { rigFromBuild } from "#core/rig/from-build.ts";
import { TOLD_DAY, TOLD_OFFSET } from "#demo/told-day.ts";
import { demoMovedTo } from "#demo/told.ts";

interface AirNumbers {
  readonly temperatureK: number;
  readonly pressurePa: number;
  readonly humidity: number;
  readonly dryKgM3: number;
}

/** Mixture errors are ln, + lean. */
export interface WorkedExample {
  readonly then: AirNumbers;
  readonly now: AirNumbers;
  /** what the model says that today's air does at full throttle to the setting that was right */
  readonly byPhysics: number;
  readonly looks: number;
  readonly fitted: { readonly main: number; readonly mean: number; readonly sd: number };
  readonly card: {
    readonly main: number;
    readonly mean: number;
    readonly leanRisk: number;
    readonly chanceBetter: number;
  };
}

export function workedExample(): WorkedExample {
  const rig = demoMovedTo(TOLD_DAY, TOLD_OFFSET).find(({ header }) => header.id === "rig:demo-enduro");
  if (!rig) throw new Error("the demo has no enduro");
  const open = openCase(rig.entries);
  const advice = adviseOn(open);
  const group = groupOf(open, 0);
  const { air } = advice.air;
  const judge = judgeOf(open, group, air);
  const before = judge.judge(advice.fitted);
  const after = judge.judge(advice.card.setting);
  const { baseline } = group.build;
  const numbers = (of: typeof air): AirNumbers => ({
    temperatureK: of.temperatureK,
    pressurePa: of.pressurePa,
    humidity: of.relativeHumidity,
    dryKgM3: of.dryDensityKgM3,
  });
  const model = buildModel(rigFromBuild(group.build));
  const [top] = prepareShift(model, air, [PROBES.top]);
  if (!top || advice.next.kind !== "fit") throw new Error("the demo’s enduro has no change to make");
  return {
    then: numbers(humidAir(baseline.air)),
    now: numbers(air),
    byPhysics: shiftAt(model, settingFromLog(baseline.setting), top).shift,
    looks: open.present.looks.length,
    fitted: { main: advice.fitted.main, ...before.zones.top },
    card: {
      main: advice.card.setting.main,
      mean: after.zones.top.mean,
      leanRisk: after.leanRisk,
      chanceBetter: advice.next.chanceBetter,
    },
  };
}

export const loader = workedExample;

/**
 * λ over throttle and engine speed: what is believed along the operating line, carried off it by the model alone. Off
 * the line nobody has looked: the doubt grows with the distance, and what lies far from it is called so.
 */
import { operatingSpeed } from "../../carburettor/air-flow.ts";
import { feedAt, pointAt } from "../../carburettor/model.ts";
import { rulerPosition, throttleAtRuler } from "../../carburettor/zones.ts";
import { lnTarget, modelIn } from "../../belief/frame.ts";
import { mixtureMap } from "../../belief/mixture.ts";
import type { ImportEntry } from "../../log/schema.ts";
import { settingFromLog } from "../../rig/from-build.ts";
import { airOf, groupOf, judgeOf, type Case } from "./case.ts";
import { spreadOf } from "./judge-setting.ts";
import { residualShares } from "./strip-curve.ts";

export const MAP_ACROSS = 60;
export const MAP_DOWN = 60;
/** Off the line by more than this share of the speed there is extrapolated. */
export const NEAR_LINE = 0.25;
/** Doubt that the model adds where the engine turns e times as fast as on its line. */
const DOUBT_PER_UNIT = 0.06;
/** From below idle to a little over peak. */
const SLOWEST = 0.8;
const FASTEST = 1.1;

export interface LambdaMap {
  /** 0..1, evenly along the strip's ruler */
  readonly throttles: readonly number[];
  /** slowest first */
  readonly rpms: readonly number[];
  /** of each throttle: the speed of the operating line */
  readonly line: readonly number[];
  /** speed by speed, then throttle by throttle: error against the target there, 0 on it, + lean */
  readonly errors: readonly number[];
  /** sd of the same */
  readonly sds: readonly number[];
  /** λ */
  readonly lambdas: readonly number[];
  /** whether it is far from where anybody rides */
  readonly far: readonly boolean[];
  /** where a logger's newest file was ridden */
  readonly ridden: NonNullable<ImportEntry["ridden"]>;
}

const evenly = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => from + (i / (count - 1)) * (to - from));

/** The newest file that says where it was ridden; one that was struck through says nothing. */
function riddenIn({ present }: Case): NonNullable<ImportEntry["ridden"]> {
  const found = present.lines.findLast(
    ({ entry, struck, setAside }) =>
      entry.kind === "import" && entry.ridden !== undefined && !struck && setAside === undefined,
  );
  return found?.entry.kind === "import" ? (found.entry.ridden ?? []) : [];
}

/**
 * @param carburettor - from 0
 * @param across - openings, at least 2
 * @param down - engine speeds, at least 2
 * @returns the map of what is fitted in today's air
 */
export function lambdaMap(open: Case, carburettor = 0, across = MAP_ACROSS, down = MAP_DOWN): LambdaMap {
  const group = groupOf(open, carburettor);
  const { build, frame, fitted } = group;
  const air = airOf(open.present.air, frame);
  const { beliefs } = judgeOf(open, group, air);
  const model = modelIn(frame, build);
  const { engine } = model.rig;
  const throttles = evenly(0, 1, across).map(throttleAtRuler);
  const rpms = evenly(SLOWEST * engine.idleRpm, FASTEST * engine.peakRpm, down);
  const openings = throttles.map((throttle) => ({
    throttle,
    shares: residualShares(rulerPosition(throttle)),
  }));
  const map = mixtureMap(frame, build, air, openings);
  const setting = settingFromLog(fitted);
  const onLine = openings.map(({ throttle, shares }, i) => {
    const rpm = operatingSpeed(engine, throttle);
    return {
      rpm,
      believed: spreadOf(beliefs.together, map.at(setting, i)),
      lnAirFuel: feedAt(model, setting, pointAt(model.rig, air, throttle)).lnAirFuel,
      wanted: lnTarget(build.targetLambda, shares),
    };
  });
  const cells = rpms.flatMap((rpm) =>
    throttles.map((throttle, i) => {
      const line = onLine[i];
      if (!line) throw new RangeError(`opening must be in 0..${across - 1}, got ${i}`);
      const { lnAirFuel } = feedAt(model, setting, pointAt(model.rig, air, throttle, rpm));
      const error = line.believed.mean + lnAirFuel - line.lnAirFuel;
      const off = Math.log(rpm / line.rpm);
      return {
        error,
        sd: Math.hypot(line.believed.sd, DOUBT_PER_UNIT * off),
        lambda: Math.exp(line.wanted + error),
        far: Math.abs(rpm / line.rpm - 1) > NEAR_LINE,
      };
    }),
  );
  return {
    throttles,
    rpms,
    line: onLine.map(({ rpm }) => rpm),
    errors: cells.map(({ error }) => error),
    sds: cells.map(({ sd }) => sd),
    lambdas: cells.map(({ lambda }) => lambda),
    far: cells.map(({ far }) => far),
    ridden: riddenIn(open),
  };
}

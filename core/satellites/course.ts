/** Tests whether a run was straight and level, so that runs are comparable. */
import { flatAbout, heightSdM, placeSdM, type Fix } from "./fix.ts";

export interface Course {
  /** furthest from the line between its ends */
  readonly besideM: number;
  readonly straight: boolean;
  /** end over start, where heights are told */
  readonly climbM: number | undefined;
  /** nothing where the heights are too coarse to say */
  readonly level: boolean | undefined;
}

/** A bend costs speed from here on. */
const BESIDE_SHARE = 0.03;
/** A slope of one in a hundred is some two per cent of a sprint. */
const LEVEL_SLOPE = 0.01;

/** @param fixes - of the run alone, from its start to its end */
export function courseOf(fixes: readonly Fix[]): Course {
  const [first, last] = [fixes[0], fixes.at(-1)];
  if (!first || !last) return { besideM: 0, straight: true, climbM: undefined, level: undefined };
  const end = flatAbout(first, last);
  const length = Math.hypot(end.eastM, end.northM);
  const besides = fixes.map((fix) => {
    const { eastM, northM } = flatAbout(first, fix);
    return length > 0 ? Math.abs(eastM * end.northM - northM * end.eastM) / length : 0;
  });
  const besideM = Math.max(...besides);
  const noise = 3 * placeSdM(first);
  const told = fixes.filter(({ heightM }) => heightM !== undefined);
  const third = Math.max(1, Math.floor(told.length / 3));
  const mean = (part: readonly Fix[]) =>
    part.reduce((sum, { heightM = 0 }) => sum + heightM, 0) / part.length;
  const climbM = told.length >= 3 ? (mean(told.slice(-third)) - mean(told.slice(0, third))) * 1.5 : undefined;
  // Fixes one after another share most of their error: what is left tells of the slope.
  const climbSdM = 0.35 * heightSdM(first);
  const mostM = LEVEL_SLOPE * length;
  return {
    besideM,
    straight: besideM <= noise + BESIDE_SHARE * length,
    climbM,
    level: climbM === undefined || climbSdM > mostM ? undefined : Math.abs(climbM) <= mostM + climbSdM,
  };
}

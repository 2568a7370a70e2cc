/** Cheap running progress of a run, updated at each fix. */
import { flatAbout, placeSdM, type Fix } from "./fix.ts";
import { speedsOf, type Goal } from "./from-standstill.ts";

export interface Progress {
  /** none yet · it stands · it is under way, or was moving when it was armed · it has got there */
  readonly phase: "waiting" | "standing" | "running" | "rolling" | "reached";
  readonly speedMs: number;
  readonly doneM: number;
  /** on the receiver's clock */
  readonly reachedMs: number | undefined;
}

const STANDS_MS = 1.2;
const WAITING: Progress = { phase: "waiting", speedMs: 0, doneM: 0, reachedMs: undefined };
/** A place alone moves by itself: so far from where it stood it is the machine. */
const LEFT_SDS = 5;

/** @param fixes - since it was armed */
export function progressOf(fixes: readonly Fix[], goal: Goal): Progress {
  const [first, last] = [fixes[0], fixes.at(-1)];
  if (!first || !last) return WAITING;
  const told = last.speedMs !== undefined;
  const speeds = speedsOf(fixes);
  const stood = told ? speeds.findLastIndex((speed) => speed < STANDS_MS) : 0;
  const speedMs = speeds.at(-1) ?? 0;
  const from = fixes[stood];
  if (!from) return { phase: "rolling", speedMs, doneM: 0, reachedMs: undefined };
  const doneAt = (fix: Fix) => {
    const { eastM, northM } = flatAbout(from, fix);
    return Math.hypot(eastM, northM);
  };
  const since = fixes.slice(stood);
  const reached = since.findIndex((fix, i) =>
    goal.what === "toSpeed"
      ? (speeds[stood + i] ?? 0) >= goal.speedMs && doneAt(fix) > LEFT_SDS * placeSdM(fix)
      : doneAt(fix) >= goal.lengthM,
  );
  const doneM = doneAt(last);
  if (reached >= 0) return { phase: "reached", speedMs, doneM, reachedMs: since[reached]?.atMs };
  const moves = told ? speedMs >= STANDS_MS : doneM > LEFT_SDS * placeSdM(last);
  return { phase: moves ? "running" : "standing", speedMs, doneM, reachedMs: undefined };
}

/** A run as the satellites see it: from the fixes to the figure. The timing itself is the worker's. */
import { useEffect, useMemo, useRef, useState } from "react";
import type { Fix, Place } from "#core/satellites/fix.ts";
import { stoodFirst, topSpeed, type Goal } from "#core/satellites/from-standstill.ts";
import { lapsOf, oneWay, passes } from "#core/satellites/laps.ts";
import { progressOf, type Progress } from "#core/satellites/progress.ts";
import { useFeed } from "#app/devices/use-feed.ts";
import { useAwake } from "#app/ui/use-awake.ts";
import { errorWords } from "#app/ui/error-words.ts";
import { receiver } from "#app/workers/client.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import type { RunTexts } from "./form.ts";
import { courseDoubts, speedTaken, timeTaken, type Taken } from "./satellite-form.ts";

/** What comes after the goal still tells of the moment before it. */
const AFTER_MS = 1500;
/** Places alone may have reached it by their noise: then it is asked again. */
const AGAIN_MS = 2000;
/** Of a lap it is enough to know the last ones; of a sprint all of it. */
const NONE: readonly Fix[] = [];

interface Wanted {
  readonly what: RunTexts["what"];
  readonly goal: Goal | undefined;
  readonly units: Preferences;
  /** a lap is saved as it ends */
  readonly onLap: (taken: Taken) => void;
}

export function useSatelliteRun({ what, goal, units, onLap }: Wanted) {
  const { feed, state } = useFeed<Fix>();
  const [sinceMs, setSince] = useState(-Infinity);
  const [line, setLine] = useState<Place & { readonly atMs: number }>();
  const [taken, setTaken] = useState<Taken>();
  const [problem, setProblem] = useState<string>();
  const asked = useRef<number>(undefined);
  const [againMs, setAgain] = useState(-Infinity);
  const live = state.status === "live";
  useAwake(live);
  const all = state.channels.get(1) ?? NONE;
  const fixes = useMemo(() => all.filter(({ atMs }) => atMs > sinceMs), [all, sinceMs]);
  const last = all.at(-1);
  const simulated = state.about?.simulated === true;
  const progress: Progress | undefined = useMemo(
    () => (goal && live ? progressOf(fixes, goal) : undefined),
    [fixes, goal, live],
  );

  /** From now on another run. */
  const arm = (fromMs = last?.atMs ?? -Infinity) => {
    setTaken(undefined);
    setProblem(undefined);
    setSince(fromMs);
    setAgain(-Infinity);
    asked.current = undefined;
  };
  /** Another receiver has another clock. */
  const begin = () => {
    arm(-Infinity);
    setLine(undefined);
    asked.current = undefined;
  };

  const waits = taken !== undefined;
  const reachedMs = progress?.reachedMs;
  const over = reachedMs !== undefined && last !== undefined && last.atMs >= reachedMs + AFTER_MS;
  useEffect(() => {
    // One that is not saved yet is not pushed away by the next.
    if (!over || !goal || waits || last.atMs < againMs || asked.current === last.atMs) return;
    asked.current = last.atMs;
    receiver.timeRun(fixes, goal).then(
      (run) => {
        if (!run) {
          setAgain(last.atMs + AGAIN_MS);
          setProblem(
            stoodFirst(fixes)
              ? undefined
              : "You were rolling already. Stop, stand still for two seconds, then go.",
          );
          return;
        }
        setProblem(undefined);
        const ridden = fixes.filter(
          ({ atMs }) => atMs >= run.startedMs && atMs <= run.startedMs + 1000 * run.seconds,
        );
        setTaken(timeTaken(run.seconds, run.sdS, ridden, { simulated, doubts: courseDoubts(ridden, units) }));
      },
      (error: unknown) => setProblem(errorWords(error)),
    );
  }, [over, waits, last, againMs, goal, fixes, simulated, units]);

  const { counted: laps, otherWay } = useMemo(
    () =>
      oneWay(
        line && what === "lap"
          ? passes(
              all.filter(({ atMs }) => atMs >= line.atMs),
              line,
            )
          : [],
      ),
    [all, line, what],
  );
  const counted = useRef(0);
  useEffect(() => {
    const newest = laps.at(-1);
    if (!line || !newest || newest.atMs <= counted.current || laps.length < 2) return;
    counted.current = newest.atMs;
    const lap = lapsOf(laps.slice(-2))[0];
    if (!lap) return;
    const ridden = all.filter(({ atMs }) => atMs <= newest.atMs && atMs >= newest.atMs - 1000 * lap.seconds);
    onLap(timeTaken(lap.seconds, lap.sdS, ridden, { simulated, doubts: [] }));
  }, [laps, line, all, simulated, onLap]);

  const fastest = what === "topSpeed" && live ? topSpeed(fixes) : undefined;
  return {
    feed,
    state,
    last,
    progress,
    taken:
      taken ??
      (fastest && speedTaken(fastest.speedMs, fastest.sdMs, fixes, units, { simulated, doubts: [] })),
    problem,
    arm,
    begin,
    lapCount: Math.max(0, laps.length - 1),
    otherWay,
    line,
    setLine: () => {
      if (!last) return;
      counted.current = 0;
      setLine({ latitude: last.latitude, longitude: last.longitude, atMs: last.atMs });
    },
  };
}

/** A walk of the screw as it stands: its readings, what they say, and where to turn next. It outlasts a reload. */
import { useMemo, useState } from "react";
import type { HumidAir } from "#core/air/humid-air.ts";
import type { IdlePoint } from "#core/idle/best-idle.ts";
import type { Build, Setting } from "#core/log/schema.ts";
import type { ScrewSchool } from "#core/log/schools.ts";
import { benchOf, nextPlace, type IdleDraft } from "./form.ts";
import { keepWalk } from "./save-walk.ts";
import { formatTurns } from "#app/vocabulary/numerals.ts";

interface Start {
  readonly rigId: string;
  readonly draft: IdleDraft;
  /** where a save has left it */
  readonly saved: IdleDraft | undefined;
  readonly build: Build;
  readonly fitted: Setting;
  readonly air: HumidAir;
  readonly school: ScrewSchool;
}

export function useWalk({ rigId, draft: left, saved, build, fitted, air, school }: Start) {
  const [draft, setDraft] = useState<IdleDraft>(left);
  const [handled, setHandled] = useState<IdleDraft>();
  if (saved && handled !== saved) {
    setHandled(saved);
    setDraft(saved);
  }
  const { points, phase } = draft;
  const bench = useMemo(
    () => benchOf(points, build, fitted, air, school),
    [points, build, fitted, air, school],
  );
  const next = nextPlace(points, build.baseline.setting.screwTurns, bench.fit);
  const [turns, setTurns] = useState(formatTurns(phase === "walk" ? next : fitted.screwTurns));
  const [turnedAt, setTurnedAt] = useState(() => performance.now());
  const keep = (change: Partial<IdleDraft>) => {
    const kept = { ...draft, ...change };
    setDraft(kept);
    void keepWalk(rigId, kept);
  };
  const settleAnew = () => setTurnedAt(performance.now());
  const turnTo = (text: string) => {
    setTurns(text);
    settleAnew();
  };
  /** @param simulated - read off the stand-in */
  const add = (point: IdlePoint, simulated: boolean) => {
    const all = [...points, point].sort((a, b) => a.turns - b.turns);
    keep({ points: all, simulated: draft.simulated || simulated });
    const { fit } = benchOf(all, build, fitted, air, school);
    turnTo(formatTurns(nextPlace(all, build.baseline.setting.screwTurns, fit)));
  };
  const walkOn = () => turnTo(formatTurns(next));
  return { draft, keep, bench, turns, turnTo, turnedAt, settleAnew, add, walkOn };
}

import { fold } from "#core/log/fold.ts";
import type { Entry } from "#core/log/schema.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";
import { localInstant } from "#app/journal/clock.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { build, fit } from "../../core/__tests__/entries.ts";
import { isFirstChangeAsked, isWalkRoundDue } from "./walk-round-due.ts";

const NOW = localInstant();
const DAY = NOW.slice(0, 10);
const checked = (state: "pass" | "stop", at = NOW): Entry => ({
  id: `check:${at}`,
  at,
  kind: "check",
  check: "choke",
  state,
  measured: {},
  findings: [],
  note: "",
});
const fitted: Entry = { ...fit("today", "10:00", 155), at: NOW };
const owing = (entries: readonly Entry[], putOff: Record<string, string> = {}) => ({
  header: ENDURO_HEADER,
  present: fold([build(), ...entries]),
  preferences: Preferences.parse({ walkRoundPutOff: putOff }),
});

describe("the walk-round of a day", () => {
  it("is owed until something was checked on it, or it was put off for it", () => {
    expect(isWalkRoundDue(owing([]))).toBe(true);
    expect(isWalkRoundDue(owing([checked("pass", "2026-05-22T08:00:00+02:00")]))).toBe(true);
    expect(isWalkRoundDue(owing([checked("pass")]))).toBe(false);
    expect(isWalkRoundDue(owing([], { [ENDURO_HEADER.id]: DAY }))).toBe(false);
    expect(isWalkRoundDue(owing([], { [ENDURO_HEADER.id]: "2026-05-22", "rig:other": DAY }))).toBe(true);
  });
  it("is not asked for where a check stops the rig: that is said already", () => {
    expect(isWalkRoundDue(owing([checked("stop", "2026-05-22T08:00:00+02:00")]))).toBe(false);
  });
  it("holds back the first change of the day only", () => {
    expect(isFirstChangeAsked(owing([]))).toBe(true);
    expect(isFirstChangeAsked(owing([fitted]))).toBe(false);
    expect(isFirstChangeAsked(owing([checked("pass")]))).toBe(false);
  });
});

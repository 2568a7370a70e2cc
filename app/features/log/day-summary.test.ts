import { air, at, build, fit, fitPart, look, plug } from "../../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import type { Entry } from "#core/log/schema.ts";
import { daySummaries } from "./day-summary.ts";

const on = (day: string, ...entries: Entry[]): Entry[] =>
  entries.map((entry) => ({
    ...entry,
    id: `${entry.id}${day.slice(-2)}`,
    at: `${day}${entry.at.slice(10)}`,
  }));
const compared: Entry = {
  id: "look:c001",
  at: at("15:00"),
  kind: "look",
  reading: { type: "compared", zone: "top", verdict: "better" },
};
const summaries = (...entries: Entry[]) => Object.fromEntries(daySummaries(fold(entries)));

it("tells what changed from morning to evening, what was seen, and whether it was better", () => {
  expect(
    summaries(
      ...on("2026-05-20", build(), air("0001", "08:30"), plug("0001", "09:00", "top", "biscuit")),
      ...on(
        "2026-05-21",
        fit("0001", "09:00", 160),
        fitPart("0002", "10:00", "clip", 2),
        look("0002", "11:00"),
        compared,
      ),
      ...on("2026-05-22", fit("0003", "09:00", 155), fit("0004", "10:00", 160), look("0003", "11:00")),
    ),
  ).toEqual({
    "2026-05-20": "As it was · 1 look",
    "2026-05-21": "Clip 3rd → 2nd, main 165 → 160 · 2 looks · said better",
    // There and back again is as it was.
    "2026-05-22": "As it was · 1 look",
  });
});

it("counts nothing that was struck through", () => {
  const strike: Entry = { id: "strike:0001", at: at("12:00"), kind: "strike", strikes: "look:0001", why: "" };
  expect(summaries(build(), look("0001", "09:00"), strike)).toEqual({ "2026-05-23": "As it was" });
});

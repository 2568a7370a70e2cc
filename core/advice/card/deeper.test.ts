/** Look by look: what the card would be without one, against a log that never had it. */
import { air, build, fit, lookWith, plug } from "../../__tests__/entries.ts";
import type { Entry } from "../../log/schema.ts";
import { advise } from "./advise.ts";
import { openCase } from "../judge/case.ts";
import { deeper, MOST_LEFT_OUT } from "./deeper.ts";

const log: Entry[] = [
  build(),
  air("0001", "08:30"),
  fit("0001", "08:40", 165),
  plug("0001", "09:00", "top", "soot"),
  plug("0002", "09:20", "top", "cocoa"),
  plug("0003", "09:40", "mid", "biscuit"),
  lookWith("0004", "10:00", { type: "lambda", zone: "top", lambda: 0.8, sensor: "inside" }),
];

it("each look is held against the log that never had it", () => {
  const { without } = deeper(openCase(log));
  expect(without.map(({ lookId }) => lookId)).toEqual(["look:0004", "look:0003", "look:0002", "look:0001"]);
  const all = advise(log);
  for (const { lookId, moved, card } of without) {
    const rest = advise(log.filter(({ id }) => id !== lookId));
    all.zones.forEach(({ zone, mean }, i) => {
      expect(moved[zone]).toBeCloseTo(mean - (rest.zones[i]?.mean ?? NaN), 9);
    });
    const differs = (["pilot", "screwTurns", "clip", "main", "shimMm"] as const).filter(
      (part) => rest.card.setting[part] !== all.card.setting[part],
    );
    expect(card.map(({ part, without: then }) => [part, then])).toEqual(
      differs.map((part) => [part, rest.card.setting[part]]),
    );
  }
});

it("the days before a look are not worked out again, and the judge's own memory stays as it was", () => {
  const memory = { key: "other", done: new Map() };
  expect(deeper(openCase(log), 0, memory)).toEqual(deeper(openCase(log)));
  expect(memory).toEqual({ key: "other", done: new Map() });
});

it("of each kind of look the best is weighed, most a minute first, with what it takes", () => {
  const { looks } = deeper(openCase(log));
  expect(new Set(looks.map(({ how }) => how)).size).toBe(looks.length);
  expect(looks.map(({ how }) => how)).toEqual(expect.arrayContaining(["plug", "lambda"]));
  for (const { gain, minutes } of looks) {
    expect(gain).toBeGreaterThanOrEqual(0);
    expect(minutes).toBeGreaterThan(0);
  }
});

it("of a long log the newest looks are left out in turn; of an empty one nothing is", () => {
  const many = Array.from({ length: 20 }, (_, i) =>
    plug(`1${String(i).padStart(3, "0")}`, `1${Math.floor(i / 6)}:${i % 6}5`, "mid", "biscuit"),
  );
  expect(deeper(openCase([...log, ...many])).without).toHaveLength(MOST_LEFT_OUT);
  expect(deeper(openCase([build()])).without).toEqual([]);
});

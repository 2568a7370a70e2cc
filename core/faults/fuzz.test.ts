/** Whatever a log holds, every chance is one: no NaN, nothing above 1, and together with jetting they are all there is. */
import { runs } from "../__tests__/long.ts";
import { air, at, build, fitPart, lookWith } from "../__tests__/entries.ts";
import { replay } from "../belief/replay.ts";
import { FAULT_NAMES } from "../log/fault-names.ts";
import { QUESTION_NAMES } from "../log/question-names.ts";
import { PLUG_FINDINGS, TONES } from "../log/parts.ts";
import { FELT } from "../log/readings/ride-report.ts";
import type { Entry, Reading } from "../log/schema.ts";
import { SYMPTOM_NAMES, SYMPTOMS } from "../log/symptom-names.ts";
import { CHECKS, FINDINGS } from "../log/walk-round-names.ts";
import { seededRandom, type Random } from "../numbers/random.ts";
import { foldPossible } from "../rig/check-log.ts";
import { suspicion } from "./suspicion.ts";

const ZONES = ["idle", "low", "mid", "top"] as const;
const SEEDS = Array.from({ length: runs("TAMIS_SEEDS", 6, 60) }, (_, i) => 501 + i);

function oneOf<T>(random: Random, list: readonly T[]): T {
  const found = list[Math.floor(random.uniform() * list.length)];
  if (found === undefined) throw new Error("a list to choose from must hold something");
  return found;
}

function reading(random: Random): Reading {
  const zone = oneOf(random, ZONES);
  switch (Math.floor(5 * random.uniform())) {
    case 0:
      return { type: "lambda", zone, lambda: 0.6 + 0.6 * random.uniform(), sensor: "inside" };
    case 1: {
      const symptom = oneOf(random, SYMPTOM_NAMES);
      return { type: "symptom", zone: SYMPTOMS[symptom].zone, symptom };
    }
    case 2:
      return { type: "rideReport", felt: { [zone]: oneOf(random, FELT), top: oneOf(random, FELT) } };
    default:
      return {
        type: "plug",
        zone,
        tone: oneOf(random, TONES),
        cut: "clean",
        colderSteps: 0,
        findings: random.uniform() < 0.3 ? [oneOf(random, PLUG_FINDINGS)] : [],
      };
  }
}

function entryOf(random: Random, i: number): Entry {
  const day = `2026-05-${String(10 + Math.floor(i / 4)).padStart(2, "0")}`;
  const [id, time] = [`fuzz-${String(i).padStart(3, "0")}`, `${String(9 + (i % 4)).padStart(2, "0")}:15`];
  const when = { at: at(time, day) };
  const kind = random.uniform();
  if (kind < 0.6) return lookWith(id, time, reading(random), day);
  if (kind < 0.75) {
    const part = oneOf(random, ["pilot", "clip", "main", "screwTurns"] as const);
    const to = { pilot: 48, clip: 1 + Math.floor(5 * random.uniform()), main: 170, screwTurns: 2 }[part];
    return { ...fitPart(id, time, part, to), ...when };
  }
  if (kind < 0.85)
    return {
      id: `answer:${id}`,
      ...when,
      kind: "answer",
      question: oneOf(random, QUESTION_NAMES),
      is: oneOf(random, ["yes", "no"] as const),
    };
  if (kind < 0.95)
    return {
      id: `check:${id}`,
      ...when,
      kind: "check",
      check: oneOf(random, CHECKS),
      state: oneOf(random, ["pass", "notes", "stop"] as const),
      measured: {},
      findings: random.uniform() < 0.5 ? [oneOf(random, FINDINGS)] : [],
      note: "",
    };
  return {
    id: `fault:${id}`,
    ...when,
    kind: "fault",
    fault: oneOf(random, FAULT_NAMES),
    is: oneOf(random, ["mended", "notThis"] as const),
    note: "",
  };
}

describe("faults of random logs", () => {
  it.each(SEEDS)("seed %i", (seed) => {
    const random = seededRandom(seed);
    const entries = Array.from({ length: 40 }, (_, i) => entryOf(random, i));
    const began = { ...build(), at: at("08:00", "2026-05-09") };
    const aired = [0, 3, 7].map((days) => ({
      ...air(`fuzz-${days}`, "08:30"),
      at: at("08:30", `2026-05-${String(10 + days)}`),
    }));
    const present = foldPossible([began, ...aired, ...entries]);
    const { suspects, jetting } = suspicion(present, replay(present));
    const all = suspects.reduce((sum, { chance }) => sum + chance, jetting);
    // What is not listed is less than one in a thousand each.
    expect(all).toBeGreaterThan(0.98);
    expect(all).toBeLessThanOrEqual(1 + 1e-9);
    for (const { chance, because } of suspects) {
      expect(chance).toBeGreaterThan(0);
      for (const { weight } of because) expect(Number.isFinite(weight)).toBe(true);
    }
    expect(suspects.map(({ chance }) => chance)).toEqual(
      suspects.map(({ chance }) => chance).sort((a, b) => b - a),
    );
  });
});

/** What is not done while it may be no jetting, and what a bench has said that no older word turns round. */
import { air, at, build, lookWith, plug } from "../../__tests__/entries.ts";
import type { Entry, Reading } from "../../log/schema.ts";
import { notJetting, NAMED, suspicion } from "../../faults/suspicion.ts";
import { openCase } from "../judge/case.ts";
import { advise } from "./advise.ts";

const symptom = (id: string, time: string, name: "hangsHigh" | "needsChokeWarm" | "popsOnOverrun") =>
  lookWith(id, time, { type: "symptom", zone: "idle", symptom: name });
const answer = (time: string, is: "yes" | "no"): Entry => ({
  id: `answer:${time.replace(":", "")}`,
  at: at(time),
  kind: "answer",
  question: "screwMatters",
  is,
});
const lambda = (id: string, time: string, zone: "idle" | "mid" | "top", off: number): Entry => {
  const target = { idle: 0.88, mid: 0.9, top: 0.86 }[zone];
  return lookWith(id, time, { type: "lambda", zone, lambda: target * (1 + off), sensor: "inside" });
};
/** All is right by the meter, twice. */
const right = [
  build(),
  air("0001", "08:30"),
  ...(["idle", "mid", "top"] as const).flatMap((zone, i) => [
    lambda(`a${i}00`, `09:0${i}`, zone, 0),
    lambda(`b${i}00`, `09:1${i}`, zone, 0),
  ]),
];
const bench = (id: string, time: string, middle: number): Entry => {
  const reading: Reading = {
    type: "bestIdle",
    zone: "idle",
    fallInTurns: middle - 0.5,
    fallOutTurns: middle + 0.5,
    sdTurns: 0.05,
    points: [],
  };
  return lookWith(id, time, reading);
};

describe("while it may be no jetting", () => {
  it("nothing is called right above 30 %: the check that finds most a minute comes first", () => {
    const told = [
      ...right,
      symptom("s001", "09:20", "hangsHigh"),
      symptom("s002", "09:21", "needsChokeWarm"),
      answer("09:22", "no"),
    ];
    const chance = notJetting(suspicionOf(told));
    expect(chance).toBeGreaterThan(NAMED);
    expect(advise(told).next.kind).toBe("check");
    expect(notJetting(suspicionOf(right))).toBeLessThan(NAMED);
    expect(advise(right).next.kind).not.toBe("check");
  });
});

const suspicionOf = (entries: readonly Entry[]) => {
  const { present, replayed } = openCase(entries);
  return suspicion(present, replayed);
};

describe("a bench just read", () => {
  /** Six words that it is lean, the bench that the screw stands a little too far out. */
  const lean = (["hangsHigh", "needsChokeWarm", "popsOnOverrun"] as const).flatMap((name, i) => [
    symptom(`d${i}01`, `08:4${i}`, name),
    plug(`d${i}02`, `08:5${i}`, "idle", "chalk"),
  ]);
  const log = (...after: Entry[]) => [build(), air("0001", "08:30"), ...lean, ...after];
  const screwOf = (entries: readonly Entry[]) => advise(entries).card.setting.screwTurns;

  it("is never turned away from by what was said before; without it the screw goes in", () => {
    expect(screwOf(log())).toBeLessThan(1.5);
    const screw = screwOf(log(bench("b001", "09:00", 1.6)));
    expect(screw).toBeGreaterThanOrEqual(1.5);
    expect(screw).toBeLessThanOrEqual(1.75);
  });
});

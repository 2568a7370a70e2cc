/** Instruments that err, days without an air, steps that are worth more than measured: what they do to the belief. */
import { air, at, build, fitPart, lookWith, plug, twin } from "../__tests__/entries.ts";
import { advise } from "../advice/card/advise.ts";
import { openCase } from "../advice/judge/case.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { airFinder } from "../log/air-of-look.ts";
import { fold } from "../log/fold.ts";
import type { AirEntry, Entry } from "../log/schema.ts";
import { OFFSET_SD } from "../looks/instruments.ts";
import { PRIOR_SD } from "./unknowns.ts";
import { instrumentMessages, combinedMessages } from "./instrument-message.ts";
import { layoutOf, priorOf } from "./layout.ts";
import { paddedEvidence, firstUnknowns, staleAirSd, withUnknown } from "./stale-air.ts";

const start = [build(), air("0001", "08:30")];
let made = 0;
const lambda = (zone: "idle" | "mid" | "top", value: number, instrument?: string, time?: string): Entry => {
  made += 1;
  const reading = { type: "lambda" as const, zone, lambda: value, sensor: "inside" as const };
  return lookWith(
    `lambda-${String(made).padStart(4, "0")}`,
    time ?? `09:${String(10 + (made % 50))}`,
    instrument === undefined ? reading : { ...reading, instrument },
  );
};
const sdOfTop = (entries: Entry[]) => advise([...start, ...entries]).zones[3]?.sd ?? NaN;

describe("sixteen figures of one sensor", () => {
  it("never become surer than the sensor itself is", () => {
    const many = Array.from({ length: 16 }, () => lambda("top", 0.886));
    const sd = sdOfTop(many);
    expect(sd).toBeGreaterThan(0.9 * OFFSET_SD.lambda);
    const two = Array.from({ length: 16 }, (_, i) => lambda("top", 0.886, i % 2 === 0 ? "bench" : "bike"));
    // A second sensor is another witness.
    expect(sdOfTop(two)).toBeLessThan(0.85 * sd);
  });
  it("are reported once another witness says otherwise", () => {
    const target = ENDURO_BUILD.targetLambda.top;
    const dark = [
      ...Array.from({ length: 6 }, (_, i) => plug(`dark-${i}`, `09:${20 + i}`, "top", "umber")),
      ...Array.from({ length: 6 }, (_, i) => plug(`mid-${i}`, `09:${30 + i}`, "mid", "umber")),
    ];
    const truth = Array.from({ length: 4 }, (_, i) => [
      lambda("top", target, `m${i}`),
      lambda("mid", ENDURO_BUILD.targetLambda.mid, `m${i}`),
    ]).flat();
    const readerOf = (entries: Entry[]) =>
      advise([...start, ...entries]).instruments.find(({ kind }) => kind === "reader");
    expect(readerOf(dark)).toMatchObject({ known: false });
    const settled = readerOf([...dark, ...truth]);
    expect(settled).toMatchObject({ known: true, open: false });
    expect(settled?.mean).toBeLessThan(-0.01);
  });
});

describe("what one rig says of an instrument to another", () => {
  const looks = [
    ...Array.from({ length: 5 }, (_, i) => plug(`a-${i}`, `09:${20 + i}`, "top", "umber")),
    ...Array.from({ length: 5 }, (_, i) => lambda("top", 0.86, `s${i}`)),
  ];
  const told = openCase([...start, ...looks]);
  const messages = instrumentMessages(told.replayed, []);
  const reader = messages.filter(({ kind }) => kind === "reader");

  it("is natural parameters: with the prior they make what that rig believes", () => {
    const [message] = reader;
    const belief = advise([...start, ...looks]).instruments.find(({ kind }) => kind === "reader");
    const precision = 1 / OFFSET_SD.reader ** 2 + (message?.precision ?? 0);
    expect(1 / Math.sqrt(precision)).toBeCloseTo(belief?.sd ?? NaN, 9);
    expect((message?.pull ?? 0) / precision).toBeCloseTo(belief?.mean ?? NaN, 9);
  });
  it("is heard, and is not told back: nothing counts twice", () => {
    const one = [plug("only", "09:00", "mid", "umber")];
    const deaf = openCase([...start, ...one]);
    const heard = openCase([...start, ...one], { messages: reader });
    const offset = ({ replayed }: typeof deaf) => replayed.joint.mean[replayed.layout.size - 1] ?? NaN;
    expect(offset(heard)).toBeLessThan(offset(deaf));
    const [own] = instrumentMessages(deaf.replayed, []);
    const [back] = instrumentMessages(heard.replayed, reader);
    // Its own plug says about as much as it says without: what was heard is taken out again.
    expect(Math.abs((back?.precision ?? 0) - (own?.precision ?? 0))).toBeLessThan(
      0.3 * (reader[0]?.precision ?? 0),
    );
  });
  it("adds up over rigs, one message an instrument", () => {
    const twice = combinedMessages([...messages, ...messages]);
    expect(twice).toHaveLength(messages.length);
    expect(twice[0]?.precision).toBeCloseTo(2 * (messages[0]?.precision ?? NaN), 9);
  });
});

describe("a look on a day without an air", () => {
  const airOn = (id: string, day: string, time = "08:30"): AirEntry =>
    ({ ...air(id, time), at: at(time, day) }) as AirEntry;
  it("is held against one of its own day before and after it, else the nearest", () => {
    const find = airFinder([
      airOn("a", "2026-05-20"),
      airOn("b", "2026-05-23", "12:00"),
      airOn("c", "2026-06-20"),
    ]);
    expect(find(at("13:00", "2026-05-23"))).toEqual({
      air: expect.objectContaining({ id: "air:b" }) as object,
    });
    expect(find(at("09:00", "2026-05-23")).air?.id).toBe("air:b");
    expect(find(at("09:00", "2026-05-21"))).toMatchObject({ air: { id: "air:a" }, airDaysOff: 1 });
    expect(find(at("09:00", "2026-06-18"))).toMatchObject({ air: { id: "air:c" }, airDaysOff: 2 });
    expect(airFinder([])(at("09:00"))).toEqual({ air: undefined });
  });
  it("leaves more doubt than the same look in an air of its day, the more the further off", () => {
    const looksOn = (day: string): Entry[] =>
      ["09:00", "09:10", "09:20"].map((time, i) =>
        lookWith(`stale-${i}`, time, { type: "lambda", zone: "top", lambda: 0.87, sensor: "inside" }, day),
      );
    const sdOn = (day: string) => advise([...start, ...looksOn(day)]).zones[3]?.sd ?? NaN;
    expect(sdOn("2026-05-24")).toBeGreaterThan(1.05 * sdOn("2026-05-23"));
    expect(sdOn("2026-07-24")).toBeGreaterThan(1.05 * sdOn("2026-05-24"));
    expect(fold([...start, ...looksOn("2026-05-26")]).looks[0]).toMatchObject({ airDaysOff: 3 });
  });
  it("shares that doubt with the other looks of its day: it is one unknown of that day alone", () => {
    const prior = priorOf(layoutOf(1, []));
    const wide = withUnknown(prior, 0.02);
    expect(wide.mean).toHaveLength(prior.mean.length + 1);
    expect(wide.covariance.at(-1)).toBeCloseTo(4e-4, 12);
    expect(firstUnknowns(wide, prior.mean.length)).toEqual(prior);
    expect(staleAirSd(1)).toBeLessThan(staleAirSd(30));
    expect(staleAirSd(10_000)).toBeLessThanOrEqual(0.04);
    const [item] = openCase([...start, plug("0009", "09:00", "top", "soot")]).replayed.evidence;
    if (!item) throw new Error("one look is one item");
    expect(paddedEvidence(item, true).line.row.at(-1)).toBe(1);
    expect(paddedEvidence(item, false).line.row.at(-1)).toBe(0);
  });
});

describe("what a step is worth here", () => {
  const learn = (clips: readonly (readonly [number, number])[]): Entry[] =>
    clips.flatMap(([clip, error], i) => [
      fitPart(`worth-${i}`, `10:${10 + 10 * i}`, "clip", clip),
      lambda("mid", 0.9 * Math.exp(error), undefined, `10:${12 + 10 * i}`),
      lambda("mid", 0.9 * Math.exp(error), undefined, `10:${14 + 10 * i}`),
    ]);
  const worthAfter = (entries: Entry[]) =>
    advise([...start, ...entries]).worths.find(({ part }) => part === "clip");

  it("is learnt from this engine's own changes: grooves that do twice as much", () => {
    const doubled = worthAfter(
      learn([
        [3, 0],
        [5, -0.2],
        [1, 0.21],
        [4, -0.1],
      ]),
    );
    expect(doubled?.learnt).toBe(true);
    expect(doubled?.factor).toBeGreaterThan(1.4);
    expect(doubled?.sd).toBeLessThan(PRIOR_SD.clipWorth);
    expect(doubled?.notAsMeasured).toBe(true);
    const usual = worthAfter(
      learn([
        [3, 0],
        [5, -0.1],
        [1, 0.11],
        [4, -0.05],
      ]),
    );
    expect(usual).toMatchObject({ learnt: false, notAsMeasured: false });
  });
  it("is in the card's rows beside what is computed, and warned of once it cannot be", () => {
    const advice = advise([
      ...start,
      ...learn([
        [3, 0],
        [5, -0.2],
        [1, 0.21],
        [4, -0.1],
      ]),
    ]);
    const row = advice.card.rows.find(({ part }) => part === "clip");
    expect(Math.abs(row?.stepEffect ?? 0)).toBeGreaterThan(1.3 * Math.abs(row?.asComputed ?? NaN));
    expect(advice.warnings).toContainEqual(expect.objectContaining({ code: "notAsMeasured", part: "clip" }));
  });
  it("in doubt makes the change itself worth looking at: the middle is less sure after a large one", () => {
    const mid = (entries: Entry[]) => advise([...start, ...entries]).zones[2]?.sd ?? NaN;
    const look = [lambda("mid", 0.9, undefined, "09:00"), lambda("mid", 0.9, undefined, "09:02")];
    expect(mid([...look, fitPart("far", "09:30", "clip", 1)])).toBeGreaterThan(
      1.2 * mid([...look, fitPart("near", "09:30", "clip", 3)]),
    );
  });
});

describe("better or worse on an engine with two carburettors", () => {
  const rig = twin();
  const onOne: Entry = {
    id: "fit:second",
    at: at("09:00"),
    kind: "fit",
    changes: [{ part: "main", to: 125, carburettor: 2 }],
    because: "own",
  };
  const verdict = (is: "better" | "worse"): Entry =>
    lookWith("verdict", "09:30", { type: "compared", zone: "top", verdict: is });
  it("speaks of the carburettor that was changed: the other's line is not in it", () => {
    const { replayed } = openCase([rig, air("t", "08:30"), onOne, verdict("worse")]);
    const [item] = replayed.evidence;
    const own = (cylinder: number) =>
      item?.line.row.slice(11 * cylinder, 11 * cylinder + 11).some((x) => x !== 0);
    expect([own(0), own(1)]).toEqual([false, true]);
    expect(replayed.outcomes[0]?.weight).toBeGreaterThan(0.001);
  });
});

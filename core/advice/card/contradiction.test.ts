/** Looks that exclude each other on one engine: said, asked about, and never built on. */
import { air, at, build, fit, lookWith, plug, twin } from "../../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import type { Entry } from "../../log/schema.ts";
import { openCase } from "../judge/case.ts";
import { advise } from "./advise.ts";
import { askedFirst } from "./asked-first.ts";

const start = [build(), air("0001", "08:30")];
const codes = (entries: Entry[]) => advise(entries).warnings.map(({ code }) => code);
const plugs = (...tones: ("chalk" | "bone" | "biscuit" | "umber" | "soot")[]): Entry[] =>
  tones.map((tone, i) => plug(`p${i}`, `09:${10 + i * 4}`, "top", tone));

describe("plugs that exclude each other", () => {
  it("are said of what is fitted, of one zone and one cylinder, and where they differ plainly", () => {
    const mid = (...tones: ("chalk" | "biscuit" | "soot")[]): Entry[] =>
      tones.map((tone, i) => plug(`m${i}`, `09:${10 + i * 4}`, "mid", tone));
    const said = advise([...start, ...mid("chalk", "soot")]);
    expect(said.warnings).toContainEqual({ code: "plugsContradict", zone: "mid" });
    expect(said.surprises).toEqual([]);
    expect(said.next).not.toMatchObject({ because: "plugsContradict" });
    expect(codes([...start, ...mid("chalk", "biscuit")])).not.toContain("plugsContradict");
    expect(codes([...start, ...mid("chalk", "soot"), fit("0001", "10:00", 160)])).not.toContain(
      "plugsContradict",
    );
    const zones = [plug("a", "09:10", "mid", "chalk"), plug("b", "09:20", "top", "soot")];
    expect(codes([...start, ...zones])).not.toContain("plugsContradict");
    const two = [1, 2].map((cylinder): Entry => {
      const seen = plug(`c${cylinder}`, `09:3${cylinder}`, "mid", cylinder === 1 ? "chalk" : "soot");
      return { ...(seen as Extract<Entry, { kind: "look" }>), cylinder };
    });
    expect(codes([twin(), air("0001", "08:30"), ...two])).not.toContain("plugsContradict");
  });
});

describe("plugs of the top that exclude each other", () => {
  it("stop the riding until one of them is crossed out; those of the middle are said, no more", () => {
    const both = [...start, ...plugs("chalk", "soot")];
    expect(advise(both).next).toMatchObject({ kind: "stop", because: "plugsContradict" });
    const crossed: Entry = {
      id: "strike:1",
      at: at("10:00"),
      kind: "strike",
      strikes: "look:p0",
    } as Entry;
    expect(advise([...both, crossed]).next).not.toMatchObject({ because: "plugsContradict" });
  });
});

describe("a word that may be another machine's", () => {
  const lambda = (n: number, zone: "idle" | "mid" | "top", value: number) =>
    lookWith(`${zone}${n}`, `09:${10 + n}`, { type: "lambda", zone, lambda: value, sensor: "inside" });
  /** Every zone so far off, by λ. */
  const read = (off: number): Entry[] =>
    (["idle", "mid", "top"] as const).flatMap((zone, z) =>
      [0, 1].map((n) => lambda(2 * z + n, zone, ENDURO_BUILD.targetLambda[zone] * Math.exp(off))),
    );
  const byTheBook = build("08:00", { baseline: { ...ENDURO_BUILD.baseline, proven: "book" } });
  const home: Entry = {
    ...(air("0001", "08:30") as Extract<Entry, { kind: "air" }>),
    temperatureK: ENDURO_BUILD.baseline.air.temperatureK,
    pressure: { kind: "station", pressurePa: ENDURO_BUILD.baseline.air.pressurePa },
  };
  const chanceAt = (off: number) => advise([byTheBook, home, ...read(off)]).claims[0]?.chance ?? NaN;

  it("is believed the more, the nearer the looks come to it, and said aloud once it hardly fits", () => {
    const chances = [0, -0.1, -0.2, -0.3].map(chanceAt);
    expect(chances[0]).toBeGreaterThan(5 / 6);
    for (const [i, chance] of chances.entries())
      if (i > 0) expect(chance).toBeLessThan(chances[i - 1] ?? NaN);
    expect(chances[3]).toBeLessThan(0.2);
    const codesAt = (off: number) => codes([byTheBook, home, ...read(off)]);
    expect(codesAt(0)).not.toContain("wordDoubted");
    expect(codesAt(-0.3)).toContain("wordDoubted");
  });

  it("is nothing that a guess has", () => {
    const guess = build("08:00", { baseline: { ...ENDURO_BUILD.baseline, proven: "guess" } });
    expect(advise([guess, home]).claims).toEqual([]);
  });
});

describe("a pale plug against all that is known", () => {
  const rich = [0, 1, 2].map((n) =>
    lookWith(`l${n}`, `09:0${n}`, { type: "lambda", zone: "top", lambda: 0.78, sensor: "inside" }),
  );
  const pale = plug("pale", "09:50", "top", "chalk");

  it("is asked about before the top is leaned any further", () => {
    const before = advise([...start, ...rich]);
    expect(before.next.kind).toBe("fit");
    expect(before.card.setting.main).toBeLessThan(before.fitted.main);
    expect(before.warnings.map(({ code }) => code)).not.toContain("lookSaysLean");
    const after = advise([...start, ...rich, pale]);
    expect(after.card.setting.main).toBeLessThan(after.fitted.main);
    expect(after.warnings).toContainEqual(
      expect.objectContaining({ code: "lookSaysLean", lookId: "look:pale" }),
    );
  });
});

describe("what is asked before a tap", () => {
  const odd = { code: "lookSaysLean", lookId: "look:pale", leaned: 0.03 } as const;
  const { next } = advise([...start, ...plugs("soot", "soot", "umber")]);

  it("is asked where a plan is to be fitted, and nowhere else", () => {
    expect(next.kind).toBe("fit");
    expect(askedFirst({ next, warnings: [{ code: "noAir" }, odd] })).toBe(odd);
    expect(askedFirst({ next, warnings: [{ code: "noAir" }] })).toBeUndefined();
    expect(askedFirst({ next: { kind: "putBack", changes: [] }, warnings: [odd] })).toBeUndefined();
  });
});

describe("the same word said again of one ride", () => {
  const report = (n: number, time: string, felt = "clean"): Entry =>
    lookWith(`r${n}`, time, { type: "rideReport", felt: { mid: felt as "clean", top: felt as "clean" } });
  const mid = (entries: Entry[]) => advise([...start, ...entries]).zones[2];
  const eight = Array.from({ length: 8 }, (_, i) => report(i, `09:1${i}`));

  it("counts once: eight clean reports of one ride are one", () => {
    expect(mid(eight)?.sd).toBeCloseTo(mid(eight.slice(-1))?.sd ?? NaN, 9);
    expect(mid(eight)?.mean).toBeCloseTo(mid(eight.slice(-1))?.mean ?? NaN, 9);
  });

  it("is nothing that a fault is weighed by, nor a surprise, once it was taken back", () => {
    const lnOf = (entries: Entry[]) =>
      openCase([...start, ...entries]).replayed.sessions.reduce((sum, one) => sum + one.lnEvidence(), 0);
    expect(lnOf(eight)).toBeCloseTo(lnOf(eight.slice(-1)), 9);
    const plain = [1, 2, 3, 4].map((n) =>
      lookWith(`l${n}`, `09:0${n}`, { type: "lambda", zone: "mid", lambda: 0.88, sensor: "inside" }),
    );
    const takenBack = [...plain, report(1, "09:10", "lean"), report(2, "09:12")];
    expect(advise([...start, ...takenBack]).looks.map(({ lookId }) => lookId)).not.toContain("look:r1");
  });

  it("is the newest word, and six taps of one symptom in a minute are one tap", () => {
    expect(mid([report(1, "09:10", "lean"), report(2, "09:12")])?.mean).toBeCloseTo(
      mid([report(2, "09:12")])?.mean ?? NaN,
      9,
    );
    const surges = [1, 2, 3, 4, 5, 6].map((n) =>
      lookWith(`s${n}`, `09:1${n}`, { type: "symptom", zone: "mid", symptom: "surges" }),
    );
    expect(mid(surges)?.mean).toBeCloseTo(mid(surges.slice(-1))?.mean ?? NaN, 9);
  });

  it("counts again for another ride: later, or with another jet in", () => {
    const once = mid([report(1, "09:10")])?.sd ?? NaN;
    expect(mid([report(1, "09:10"), report(2, "09:50")])?.sd).toBeLessThan(once - 1e-4);
  });

  it("counts again where the entries name another ride, however soon", () => {
    const of = (n: number, ride: string): Entry => ({
      ...(report(n, `09:1${n}`) as Extract<Entry, { kind: "look" }>),
      ride,
    });
    const once = mid([of(1, "ride:aaaa"), of(2, "ride:aaaa")])?.sd ?? NaN;
    expect(once).toBeCloseTo(mid([report(2, "09:12")])?.sd ?? NaN, 9);
    expect(mid([of(1, "ride:aaaa"), of(2, "ride:bbbb")])?.sd).toBeLessThan(once - 1e-4);
  });

  it("says what came in between all the same: figures and plugs each count", () => {
    const lambda = (n: number) =>
      lookWith(`l${n}`, `09:1${n}`, { type: "lambda", zone: "mid", lambda: 0.88, sensor: "inside" });
    expect(mid([lambda(1), lambda(2)])?.sd).toBeLessThan(mid([lambda(1)])?.sd ?? NaN);
  });
});

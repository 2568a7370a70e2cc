import { air as airAt, build, lookWith } from "../../../core/__tests__/entries.ts";
import { advise } from "#core/advice/card/advise.ts";
import { humidAir } from "#core/air/humid-air.ts";
import type { IdlePoint } from "#core/idle/best-idle.ts";
import { SCREW_SCHOOLS } from "#core/log/schools.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { benchWords, missingWords, stillWords } from "./words.ts";
import { SCHOOL_WORDS } from "#app/vocabulary/schools.ts";
import { benchOf, idleReading, nextPlace, readPoint } from "./form.ts";

const { setting, air } = ENDURO_BUILD.baseline;
const around = (middle: number, half = 0.5): IdlePoint[] =>
  [-1, -0.75, -0.5, -0.25, 0, 0.25, 0.5, 0.75, 1].map((off) => ({
    turns: middle + off,
    rpm: 1700 * (1 - 0.02 * (off / half) ** 2),
  }));
const bench = (points: IdlePoint[]) => benchOf(points, ENDURO_BUILD, setting, humidAir(air), "middle");

describe("a reading of the idle bench", () => {
  it("takes fractions and commas, and says at its field what is wrong", () => {
    expect(readPoint("1 3/4", "1 650".replace(" ", ""))).toEqual({
      ok: true,
      point: { turns: 1.75, rpm: 1650 },
    });
    expect(readPoint("1,5", "1700")).toMatchObject({ ok: true, point: { turns: 1.5 } });
    expect(readPoint("-1", "fast")).toEqual({
      ok: false,
      fields: { turns: "Turns out, 0 to 10.", rpm: expect.stringContaining("100 to 20 000") as string },
    });
  });

  it("goes from half a turn further in, then where the fit asks for it", () => {
    expect(nextPlace([], 1.5, bench([]).fit)).toBe(1);
    const some = around(1.5).slice(3);
    expect(nextPlace(some, 1.5, bench(some).fit)).toBe(1);
    expect(nextPlace(around(1.5), 1.5, bench(around(1.5)).fit)).toBe(2.75);
  });
});

describe("the bench of a rig", () => {
  it("is judged by the rig's own window and box", () => {
    const sound = bench(around(1.5));
    expect(sound).toMatchObject({ window: { from: 0.5, to: 2.5 }, verdict: { kind: "leave" } });
    const reading = idleReading(sound, around(1.5));
    expect(reading).toMatchObject({ type: "bestIdle", zone: "idle" });
    const far = bench(around(3.25));
    expect(far.verdict).toMatchObject({ kind: "jet", towards: "leaner", to: 42, base: 1.5 });
    expect(idleReading(bench(around(1.5).slice(0, 4)), around(1.5))).toBeUndefined();
    // One fall-off out of sight, and still far beyond the window: it is logged, with its doubt.
    const oneSided = around(3.6).slice(0, 6);
    expect(bench(oneSided)).toMatchObject({ fit: { ok: false }, verdict: { kind: "jet" } });
    const doubt = idleReading(bench(oneSided), oneSided);
    expect(doubt?.type === "bestIdle" && doubt.sdTurns).toBeGreaterThan(0.2);
  });
});

describe("the bench in words", () => {
  it("says what is missing and which point to take next", () => {
    expect(missingWords({ reason: "noFallOut", nextTurns: 2.25 })).toBe(
      "It has not fallen off yet further out. Next: 2 ¼ turns out.",
    );
    expect(missingWords({ reason: "noFallIn" })).toContain("seated");
    expect(missingWords({ reason: "flat", nextTurns: 3 })).toContain("air leak");
  });
  it("says what the card will say once the reading is in it, and what it still says until then", () => {
    const window = { from: 0.5, to: 2.5 };
    const log = [build(), airAt("0001", "08:30")];
    const said = (points: IdlePoint[]) => {
      const reading = idleReading(bench(points), points);
      if (!reading) throw new Error("no reading");
      const advice = advise([...log, lookWith("bench", "09:00", reading)]);
      const lines = advice.next.kind === "fit" ? advice.next.lines : [];
      return { advice, changes: lines.filter(({ zone }) => zone === "idle").flatMap((line) => line.changes) };
    };
    const title = (points: IdlePoint[]) => benchWords(bench(points).verdict, said(points), window).title;
    expect(benchWords(bench([]).verdict, undefined, window).title).toBe("No crest yet");
    expect(benchWords(bench(around(1.5)).verdict, undefined, window).title).toContain("Working");
    expect(title(around(2))).toBe("Screw to 2");
    expect(title(around(3.25))).toBe("Pilot jet to 42");
    const { advice } = said(around(2));
    const row = advice.card.rows.find(({ part }) => part === "screwTurns");
    expect(row?.to).toBe(2);
    expect(stillWords(advise(log))).toMatch(/^Until this is logged the card still has pilot 4\d, screw /);
  });
  it("names each school and how it sets the screw", () => {
    expect(new Set(SCREW_SCHOOLS.map((school) => SCHOOL_WORDS[school].name)).size).toBe(4);
  });
});

import { air, build, fit, fitPart, lookWith, plug } from "../../core/__tests__/entries.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { fold } from "#core/log/fold.ts";
import type { Entry } from "#core/log/schema.ts";
import { advise } from "#core/advice/card/advise.ts";
import type { ZoneAdvice } from "#core/advice/judge/zone-advice.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import type { RideFirst } from "#core/advice/plan/plan.ts";
import type { NextLook } from "#core/advice/ride/next-look.ts";
import { Preferences } from "./preferences.ts";
import { rowReason } from "#app/frame/card/words.ts";
import { zoneCaution } from "./cautions.ts";
import { agoWords, dayTitle } from "./days.ts";
import { lineWords } from "./entries.ts";
import { benchPartWords, partMeasure } from "./bench-parts.ts";
import { nextWords, planLineWords } from "./next.ts";
import { certainty, mixtureWords, partValue, partValueInFull, percentWords, shiftWords } from "./parts.ts";
import { schoolWords } from "./schools.ts";
import { surpriseWords } from "./surprise.ts";
import { askedWords, warningWords } from "#app/features/today/warnings.ts";
import { zoneState } from "#app/frame/strip/zone-state.ts";

const next = (entries: Entry[]) => nextWords(advise(entries));

describe("a part that is swapped", () => {
  const part = {
    kind: "needle",
    name: "B, a shade thicker",
    needle: ENDURO_BUILD.carburettor.needle,
  } as const;
  it("is advised by the tuner’s own name for it, with its zone and its work", () => {
    const words = nextWords({
      ...advise([build(), air("0001", "08:30")]),
      next: {
        kind: "part",
        part,
        minutes: 20,
        zone: "low",
        effect: { idle: 0, low: 0.09, mid: 0.03, top: 0 },
        gain: 0.4,
        chanceBetter: 0.83,
      },
    });
    expect(words.title).toBe("Another part: needle “B, a shade thicker”");
    expect(words.reason).toContain("reaches just off idle; this part makes it 9 % leaner");
    expect(words.reason).toContain("likely (83 %). About 20 minutes");
  });
  it("is told from the next of its kind by its measure", () => {
    expect(partMeasure(part)).toBe("2.52 mm at the straight, 1.55 mm at the tip, 5 grooves");
    expect(partMeasure({ kind: "airJet", name: "a", path: "pilot", holeMm: 1.2 })).toBe("pilot, hole 1.2 mm");
    expect(partMeasure({ kind: "emulsionTube", name: "a", drilled: false })).toBe("undrilled");
    expect(partMeasure({ kind: "slideSpring", name: "a", depressionPa: 2450.4 })).toBe("lifts at 2450 Pa");
    expect(benchPartWords({ kind: "slide", name: "4.5", cutawayMm: 4.5 })).toBe("slide “4.5”");
    expect(schoolWords({ what: "parts", is: "never" })).toEqual({
      what: "Parts that are swapped, from now on",
      result: "never by itself",
    });
  });
});

describe("numbers in words", () => {
  it("writes parts as they are stamped or counted", () => {
    expect(partValue("main", 152)).toBe("152");
    expect(partValue("screwTurns", 1.75)).toBe("1 ¾");
    expect(partValueInFull("screwTurns", 1)).toBe("1 turn");
    expect(partValueInFull("clip", 2)).toBe("2nd groove");
    expect([partValue("shimMm", 0), partValue("shimMm", 0.3)]).toEqual(["none", "0.3 mm"]);
  });

  it("says rich and lean as a word with a number, and how sure with a number", () => {
    expect([mixtureWords(-0.042), mixtureWords(0.017), mixtureWords(0.004)]).toEqual([
      "4 % rich",
      "1.7 % lean",
      "right",
    ]);
    expect([shiftWords(-0.05), shiftWords(0.012)]).toEqual(["5 % richer", "1.2 % leaner"]);
    expect([0.999, 0.896, 0.82, 0.72, 0.55, 0.3, 0.05, 0.001].map(certainty)).toEqual([
      "sure (99 %)",
      "sure (90 %)",
      "likely (82 %)",
      "maybe (72 %)",
      "maybe (55 %)",
      "not sure (30 %)",
      "not sure (5 %)",
      "not sure (under 1 %)",
    ]);
    expect(percentWords(0.5)).toBe("50 %");
  });

  it("tells days and how long ago", () => {
    expect(dayTitle("2026-05-23T13:52:00+02:00")).toBe("Saturday 23 May 2026");
    const now = new Date("2026-05-23T14:00:00Z");
    const ago = (at: string) => agoWords(at, now);
    expect([
      ago("2026-05-23T14:00:30Z"),
      ago("2026-05-23T12:56:00Z"),
      ago("2026-05-23T02:00:00Z"),
      ago("2026-05-19T14:00:00Z"),
    ]).toEqual(["just now", "64 min", "12 h", "4 days"]);
  });
});

describe("the next step in words", () => {
  const start = [build(), air("0001", "08:30"), fit("0001", "08:40", 165)];

  it("names the plan, and of each line part, from, to, its zone and how it will be read", () => {
    const log = [...start, plug("0001", "09:00", "top", "cocoa"), plug("0002", "09:20", "top", "umber")];
    const advice = advise(log);
    expect(nextWords(advice).title).toMatch(/^The plan for this stop: .*main jet 1\d\d/);
    expect(nextWords(advice).reason).toMatch(/^There is 18 % less air here .* Better than now: sure/);
    const lines = advice.next.kind === "fit" ? advice.next.lines : [];
    const top = lines.find(({ zone }) => zone === "top");
    if (!top) throw new Error("no line for the top");
    const { title, reason } = planLineWords(top, advice);
    expect(title).toMatch(/^Main jet 165 → 1\d\d$/);
    expect(reason).toMatch(
      /^Full throttle is \d+ % rich; after this .* Check it with a full-throttle plug\.$/,
    );
  });

  it("says danger first", () => {
    const { title, reason } = next([
      build(),
      air("0001", "08:30"),
      fit("0001", "08:40", 152),
      plug("0001", "09:00", "top", "bone"),
    ]);
    expect(title).toMatch(/^First: .*main jet 1\d\d/);
    expect(reason).toMatch(/^Full throttle may be past the lean limit now \(\d+ %\)/);
  });

  it("asks for a ride by what to hold and why, for a report without a zone, for runs by both settings", () => {
    const advice = advise([build()]);
    const asked = (change: Partial<NextLook> & { readonly rideFirst?: RideFirst }) => {
      const look = {
        kind: "ride" as const,
        how: "plug" as const,
        zone: "top" as const,
        minutes: 8,
        gain: 0.2,
        allRight: 0.7,
        ...change,
      };
      return nextWords({ ...advice, next: look });
    };
    expect(asked({}).title).toBe("Next: flat out, clean cut, read the plug");
    expect(asked({}).reason).toMatch(/all right: maybe \(70 %\)\. About 8 minutes\.$/);
    expect(asked({}).reason).not.toContain("how it pulled");
    expect(asked({ tells: true }).reason).toMatch(/^Then say how it pulled, all along the throttle\. /);
    expect(asked({ rideFirst: "readsTop" }).reason).toMatch(/^Leaner parts wait for this reading\. /);
    expect(asked({ rideFirst: "showsChange" }).reason).toMatch(/^First see what the last change did/);
    expect(asked({ tells: true, zone: "idle" }).reason).toMatch(
      /^Say too how it pulled before that, all along/,
    );
    expect(asked({ how: "lambda", along: ["mid", "idle"] }).title).toBe(
      "Next: a λ figure at idle, in the middle, and at full throttle",
    );
    expect(asked({ cylinder: 2 }).title).toBe("Next: flat out, clean cut, read the plug, cylinder 2");
    expect(asked({ how: "idleBench", zone: "idle" }).title).toBe("Next: the idle bench");
    const ride = { kind: "ride" as const, how: "rideReport" as const, minutes: 6, gain: 0.2, allRight: 0.7 };
    expect(nextWords({ ...advice, next: ride }).title).toContain("say how it pulled");
    const other = { ...advice.fitted, main: 168 };
    expect(asked({ how: "timedPair", settings: [advice.fitted, other] }).title).toBe(
      "Next: main 165 against main 168, by the clock",
    );
  });

  it("leaves it with what one ride more would make of it, and names what is not known and what would help", () => {
    const advice = advise([build()]);
    const left = (change: object, buy: Advice["buy"] = []) =>
      nextWords({ ...advice, buy, next: { kind: "leave", because: "right", chance: 0.82, ...change } })
        .reason;
    const look = { how: "plug", zone: "top", minutes: 8, gain: 0.03 } as const;
    expect(left({})).not.toContain("One more ride");
    expect(left({ oneMore: { look, chance: 0.9 } })).toMatch(
      /^Good enough for today\. .*likely \(82 %\)\. One more ride would make it sure \(90 %\)\./,
    );
    const unknown = { because: "smallGain", chance: 0.6, unknown: "top", oneMore: { look, chance: 0.66 } };
    expect(left(unknown, [{ part: "main", number: 168, gain: 0.2 }])).toMatch(
      /Least known: full throttle, already right: .*A plug there would show most\. Main jet 168, not in the box, would help\.$/,
    );
    expect(left({ ...unknown, unknown: "mid" })).toContain("washer under the clip");
  });

  it.each([
    ["seized", "Stop: it seized", "Do not start it"],
    ["pings", "Stop: it pinged", "specks of metal"],
    ["cutsOutHeldOpen", "Stop: it cut out", "vent"],
  ] as const)("stops where it %s, and says what to look at", (because, title, look) => {
    const stop = nextWords({ ...advise([build()]), next: { kind: "stop", because, leanRisk: 0.02 } });
    expect(stop.title).toContain(title);
    expect(stop.reason).toContain(look);
  });

  it("says what goes back after worse", () => {
    const worse = lookWith("said", "09:30", {
      type: "compared",
      zone: "top",
      verdict: "worse",
      fit: "fit:0002",
    });
    const { title } = next([
      ...start,
      plug("0001", "09:00", "top", "biscuit"),
      fit("0002", "09:10", 162),
      worse,
    ]);
    expect(title).toBe("Put back: main jet 162 → 165");
  });

  it("leaves a right engine alone", () => {
    const zones = ["idle", "low", "mid", "top"] as const;
    const right = zones.flatMap((zone, z) =>
      [0, 1].map((n) => {
        const lambda = ENDURO_BUILD.targetLambda[zone];
        return lookWith(`00${z}${n}`, `09:${z}${n}`, { type: "lambda", zone, lambda, sensor: "inside" });
      }),
    );
    expect(next([build(), ...right]).title).toBe("Leave it");
  });

  it("gives each card row a reason that follows from its figures", () => {
    const advice = advise([...start, plug("0001", "09:00", "top", "cocoa")]);
    const reasons = advice.card.rows.map((row) => rowReason(row, advice));
    expect(reasons[3]).toMatch(
      /^Full throttle \d+ % rich as fitted \(one look\)\. The next size up: .* richer\.$/,
    );
    expect(reasons[2]).toMatch(/^Middle: no look yet/);
  });
});

describe("warnings in words", () => {
  const all: Parameters<typeof warningWords>[0][] = [
    { code: "leanRisk", chance: 0.2 },
    { code: "leanRisk", chance: 0.2, cylinder: 2 },
    { code: "cylinderDiffers", cylinder: 2, zone: "mid", departure: -0.08, chance: 0.9 },
    { code: "plugFinding", finding: "glazed" },
    { code: "noneRichEnough", wantedMain: 171.5 },
    { code: "screwAtStop", turns: 2.5, wantedPilot: 41.2 },
    { code: "clipAtEnd", clip: 1, wants: "leaner" },
    { code: "mainAtStop", main: 148, wantedMain: 144 },
    { code: "outOfReach", zone: "low", mean: -0.1, ruledBy: "needle" },
    { code: "outOfReach", zone: "top", mean: -0.1, ruledBy: "main" },
    { code: "plugsContradict", zone: "top" },
    { code: "noAir" },
    { code: "ruleInTheWay", parts: ["clip", "main"] },
    { code: "seaLevelSuspected", pressurePa: 101_800, elevationM: 1380 },
    { code: "extrapolatedAir" },
    { code: "unsettled" },
  ];
  it.each(all)("has words of its own for $code", (warning) => {
    const { text, grave } = warningWords(warning, Preferences.parse({}));
    expect(text.length).toBeGreaterThan(30);
    expect(text).not.toMatch(/undefined|NaN|null/);
    const graves = ["leanRisk", "noneRichEnough", "plugsContradict"];
    expect(grave).toBe(graves.includes(warning.code));
  });
  it("ask before a tap where a file or a look stands alone against the rest, and name the look", () => {
    const looks = fold([build(), plug("0001", "09:10", "top", "chalk")]).looks;
    const odd = { code: "lookSaysLean", lookId: "look:0001", leaned: 0.03 } as const;
    expect(askedWords(odd, { looks })).toEqual({
      words: expect.stringMatching(/^The look at 09:10 shows full throttle lean\. .* 3 % leaner\./) as string,
      yes: "I looked again",
    });
    const file = { code: "fileLeansTop", file: "run.csv", leaned: 0.04, wouldBe: 0.05 } as const;
    expect(askedWords(file, { looks }).yes).toBe("The file is right");
  });
  it("never says the same for two of them", () => {
    expect(new Set(all.map((warning) => warningWords(warning, Preferences.parse({})).text)).size).toBe(
      all.length,
    );
  });
});

describe("log lines in words", () => {
  it("tell every kind of entry", () => {
    const strike: Entry = {
      id: "strike:0001",
      at: "2026-05-23T12:00:00+02:00",
      kind: "strike",
      strikes: "fit:0001",
      why: "",
    };
    const note: Entry = { id: "note:0001", at: "2026-05-23T11:00:00+02:00", kind: "note", text: "Dusty." };
    const entries = [
      build(),
      air("0001", "08:30"),
      fitPart("0001", "08:40", "screwTurns", 1.75),
      plug("0001", "09:00", "top", "cocoa"),
      note,
      strike,
    ];
    const units = Preferences.parse({});
    expect(fold(entries).lines.map((line) => lineWords(line, units, 14.6))).toEqual([
      { kind: "rig", what: "Rig described", result: "" },
      { kind: "air", what: "Col de la Brume", result: "24.0 °C · 863 hPa · 46 %" },
      { kind: "fitted", what: "Mixture screw 1 ½ → 1 ¾", result: "as advised" },
      { kind: "look", what: "Plug, full throttle (¾ to open), clean cut", result: "cocoa" },
      { kind: "note", what: "Dusty.", result: "" },
      { kind: "struck", what: "An entry was struck through", result: "" },
    ]);
  });

  it("show a mixture figure as λ or as the AFR of the fuel in use, as the tuner likes", () => {
    const entries = [
      build(),
      lookWith("0001", "09:00", { type: "lambda", zone: "top", lambda: 0.86, sensor: "inside" }),
    ];
    const result = (mixture: "lambda" | "afr") =>
      lineWords(fold(entries).lines[1]!, Preferences.parse({ mixture }), 14.6).result;
    expect([result("lambda"), result("afr")]).toEqual(["λ 0.86", "AFR 12.6"]);
  });

  it("question a surprising look by name and number", () => {
    const entries = [
      build(),
      ...[1, 2, 3, 4, 5].map((n) => plug(`000${n}`, `09:0${n}`, "top", "biscuit")),
      plug("0009", "10:00", "top", "soot"),
    ];
    const [surprise] = advise(entries).surprises;
    expect(surprise && surpriseWords(surprise, fold(entries), Preferences.parse({}))).toMatch(
      /^Plug, full throttle .* at 10:00 reads 17 % rich, but everything else says .*Cross it out/,
    );
  });
});

describe("a zone in one word", () => {
  const zone = (change: Partial<ZoneAdvice>): ZoneAdvice => ({
    zone: "top",
    mean: 0,
    sd: 0.02,
    pLean: 0,
    pRich: 0,
    pRight: 1,
    pPastLimit: 0,
    looks: 1,
    ...change,
  });
  it("is unseen, right, or rich and lean with a number", () => {
    expect(zoneState(zone({ looks: 0, sd: 0.06 })).text).toBe("unseen");
    expect(zoneState(zone({})).text).toBe("right");
    expect(zoneState(zone({ mean: -0.042 }))).toEqual({ text: "4 % rich", calm: false });
    expect(zoneState(zone({ mean: 0.01, pRight: 0.3 }))).toEqual({ text: "not known", calm: false });
  });
  it("carries the caution of its own work", () => {
    expect(zoneCaution("plug", "top")).toContain("closed course");
    expect(zoneCaution("plug", "idle")).toContain("carbon monoxide");
    expect(
      new Set([
        zoneCaution("plug", "top"),
        zoneCaution("lambda", "top"),
        zoneCaution("plug", "idle"),
        zoneCaution("plug", "mid"),
      ]).size,
    ).toBe(4);
  });
});

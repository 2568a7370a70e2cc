import { air, build, fit, fitPart, lookWith, plug } from "../../core/__tests__/entries.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { fold } from "#core/log/fold.ts";
import type { Entry } from "#core/log/schema.ts";
import { advise, type ZoneAdvice } from "#core/advice/advise.ts";
import type { Warning } from "#core/advice/warnings.ts";
import { Preferences } from "#app/store/preferences.ts";
import { rowReason } from "./card.ts";
import { zoneCaution } from "./cautions.ts";
import { agoWords, dayTitle } from "./days.ts";
import { lineWords } from "./entries.ts";
import { nextWords } from "./next.ts";
import { certainty, mixtureWords, partValue, partValueInFull, percentWords, shiftWords } from "./parts.ts";
import { surpriseWords } from "./surprise.ts";
import { warningWords } from "./warnings.ts";
import { zoneState } from "./zone-state.ts";

const next = (entries: Entry[]) => nextWords(advise(entries), fold(entries).openChange);

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
    expect([0.999, 0.896, 0.82, 0.55, 0.3, 0.05, 0.001].map(certainty)).toEqual([
      "sure (over 99 %)",
      "sure (90 %)",
      "likely (82 %)",
      "rather likely (55 %)",
      "open (30 %)",
      "unlikely (5 %)",
      "unlikely (under 1 %)",
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

  it("names part, from, to, the zone and what it does there", () => {
    const { title, reason } = next([
      ...start,
      plug("0001", "09:00", "top", "cocoa"),
      plug("0002", "09:20", "top", "umber"),
    ]);
    expect(title).toMatch(/^One change: main jet 165 to 1\d\d$/);
    expect(reason).toMatch(
      /2 looks in the top: it is \d+ % rich\. 1\d\d brings it to .* Better than now: sure/,
    );
  });

  it("says danger first", () => {
    const { title, reason } = next([
      build(),
      air("0001", "08:30"),
      fit("0001", "08:40", 152),
      plug("0001", "09:00", "top", "bone"),
    ]);
    expect(title).toMatch(/^First: main jet 152 to/);
    expect(reason).toMatch(/^Too likely past the lean limit at full throttle \(\d+ %\)/);
  });

  it("asks for the look that an open change wants, and names the change", () => {
    const { title, reason } = next([
      ...start,
      plug("0001", "09:00", "top", "cocoa"),
      fit("0002", "09:10", 160),
    ]);
    expect(title).toBe("Now look: a plug at the top");
    expect(reason).toContain("Main jet 165 to 160 was fitted and nobody has looked since");
  });

  it("reads the card out after new air, and leaves a right engine alone", () => {
    expect(next([build(), air("0001", "08:30")]).title).toMatch(/^Today’s card: .*main jet 1\d\d/);
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
    expect(reasons[3]).toMatch(/^Top \d+ % rich as fitted \(one look\)\. The next size up: .* richer\.$/);
    expect(reasons[2]).toMatch(/^Middle: nobody has looked yet/);
  });
});

describe("warnings in words", () => {
  const all: Warning[] = [
    { code: "leanRisk", chance: 0.2 },
    { code: "leanRisk", chance: 0.2, cylinder: 2 },
    { code: "cylinderDiffers", cylinder: 2, zone: "mid", departure: -0.08, chance: 0.9 },
    { code: "plugFinding", finding: "glazed" },
    { code: "noneRichEnough", wantedMain: 171.5 },
    { code: "inseparable", parts: ["clip", "main"] },
    { code: "screwAtStop", turns: 2.5, wantedPilot: 41.2 },
    { code: "clipAtEnd", clip: 1, wants: "leaner" },
    { code: "mainAtStop", main: 148, wantedMain: 144 },
    { code: "outOfReach", zone: "low", mean: -0.1 },
    { code: "noAir" },
    { code: "ruleInTheWay", parts: ["clip", "main"] },
    { code: "seaLevelSuspected", pressurePa: 101_800, elevationM: 1380 },
    { code: "extrapolatedAir" },
    { code: "unsettled" },
  ];
  it.each(all)("has words of its own for $code", (warning) => {
    const { text, grave } = warningWords(warning);
    expect(text.length).toBeGreaterThan(30);
    expect(text).not.toMatch(/undefined|NaN|null/);
    expect(grave).toBe(warning.code === "leanRisk" || warning.code === "noneRichEnough");
  });
  it("never says the same for two of them", () => {
    expect(new Set(all.map((warning) => warningWords(warning).text)).size).toBe(all.length);
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
      { kind: "look", what: "Plug, Top (¾ to open), clean cut", result: "cocoa" },
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
      /^Plug, Top .* at 10:00 reads 17 % rich where all else says .*strike it/,
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
    expect(zoneState(zone({ mean: 0.01, pRight: 0.3 })).calm).toBe(false);
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

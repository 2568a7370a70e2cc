import { balanceSteps, judgeBalance } from "#core/balance/linkage.ts";
import { CYLINDER_SCHOOLS } from "#core/log/schools.ts";
import type { Outlier } from "#core/advice/judge/departures.ts";
import { SYMPTOM_NAMES, type Symptom } from "#core/log/symptom-names.ts";
import { freshBalance, readGauges, withLinkage } from "#app/features/balance/form.ts";
import { adjustForm } from "#app/features/idle-speed/form.ts";
import { TWIN } from "#demo/other-rigs.ts";
import { balanceWords, turnWords } from "#app/features/balance/words.ts";
import { causesOf, outlierReason, outlierTitle, schoolWords } from "./cylinders.ts";
import { HAND_GROUPS, SYMPTOM_WORDS } from "./symptoms.ts";

const rich: Outlier = { cylinder: 2, zone: "mid", departure: -0.09, chance: 0.91 };
const lean: Outlier = { cylinder: 1, zone: "low", departure: 0.07, chance: 0.84 };

describe("cylinders in words", () => {
  it("say which, how far, and how sure", () => {
    expect(outlierTitle(rich)).toBe("Cylinder 2 runs 9 % richer than the rest");
    expect(outlierReason(lean)).toContain(
      "Just off idle, ⅛ to ¼: more than the same jets explain, with 84 % chance",
    );
  });
  it("name mechanical causes before anything else, other ones for lean than for rich", () => {
    expect(causesOf(lean)[0]?.place).toBe("walk-round/airLeaks");
    expect(causesOf(rich)[0]?.place).toBe("walk-round/needleAndSeat");
    for (const outlier of [rich, lean])
      expect(causesOf(outlier).some(({ place }) => place === "balance")).toBe(true);
  });
  it("end in what each school does, a hotter plug for the dark one", () => {
    expect(new Set(CYLINDER_SCHOOLS.map((school) => schoolWords(school, rich))).size).toBe(3);
    expect(schoolWords("heatRange", rich)).toContain("hotter for cylinder 2");
    expect(schoolWords("heatRange", lean)).toContain("colder for cylinder 1");
  });
  it("have a word of their own for every symptom, each under one thing that a hand does", () => {
    expect(new Set(SYMPTOM_NAMES.map((name) => SYMPTOM_WORDS[name])).size).toBe(SYMPTOM_NAMES.length);
    const grouped = HAND_GROUPS.flatMap(({ symptoms }): readonly Symptom[] => symptoms);
    expect([...grouped].sort()).toEqual([...SYMPTOM_NAMES].sort());
  });
});

describe("a balance in words", () => {
  const steps = balanceSteps(4, "shaft");
  const words = (gauges: number[]) => balanceWords(judgeBalance(gauges, steps, 2700), steps, 2700, "cmHg");
  it("names the pair, which pulls harder, and what to turn", () => {
    const { title, reason } = words([30_000, 34_000, 30_000, 30_000]);
    expect(title).toBe("1 with 2: 3.0 cmHg apart");
    expect(reason).toContain("2 pulls harder. The screw between 1 and 2: open the side of 2 a little.");
    expect(reason).toContain("Spread 3.0 cmHg, allowed 2.0 cmHg.");
  });
  it("speaks of pairs, and of being in step", () => {
    expect(words([34_000, 34_000, 30_000, 30_000]).reason).toContain("3 and 4 pull less.");
    expect(words([30_000, 30_500, 30_000, 30_200]).title).toBe("In step");
  });
  it("tells stops from cables", () => {
    const [stop, cable] = balanceSteps(2, "cables");
    expect(stop && turnWords(stop, 500)).toBe("The idle stop of 2: in, it opens a little.");
    expect(cable && turnWords(cable, -500)).toBe("The cable of 2: more slack.");
  });
});

describe("gauges as typed", () => {
  it("are read in the tuner's unit, with comma or point", () => {
    expect(readGauges(["20", "21,5"], "cmHg")).toEqual({ ok: true, gaugesPa: [26_664.48, 28_664.316] });
  });
  it("are incomplete without a word, and wrong with one", () => {
    expect(readGauges(["20", ""], "kPa")).toEqual({ ok: false, problems: {} });
    expect(readGauges(["20", "minus"], "kPa")).toEqual({ ok: false, problems: { 1: "0 to 101 kPa." } });
    expect(readGauges(["200", "5"], "kPa")).toMatchObject({ ok: false, problems: { 0: "0 to 101 kPa." } });
  });
  it("change the rig only where it says otherwise", () => {
    const { linkage, allowedPa } = freshBalance(TWIN.build);
    expect(withLinkage(TWIN.build, linkage, allowedPa)).toBeUndefined();
    expect(withLinkage(TWIN.build, "cables", 2700)?.sync).toEqual({
      linkage: "cables",
      vacuumSpreadPa: 2700,
      headerSpreadK: 30,
    });
    const unsaid = { ...TWIN.build };
    delete unsaid.sync;
    expect(withLinkage(unsaid, "shaft", 2700)).toBeUndefined();
  });
});

describe("an adjuster as typed", () => {
  it("keeps the spare below the idle, where there is one", () => {
    const spare = { what: "spareIdleSpeed", figure: "1100" } as const;
    expect(adjustForm(1300).safeParse(spare)).toMatchObject({ success: true });
    expect(adjustForm(1000).safeParse(spare)).toMatchObject({ success: false });
  });
});

/** What the rig's own entries say as lines of the log. */
import { fold } from "#core/log/fold.ts";
import { reopenedBy, WORK_NAMES } from "#core/log/epochs.ts";
import type { Entry } from "#core/log/schema.ts";
import { TEARDOWN_STEPS } from "#core/log/teardown-names.ts";
import { ASSUMED_DOUBT } from "#core/rig/assumed.ts";
import { NUMBER_STEPS } from "#core/rig/read-off.ts";
import { Preferences } from "./preferences.ts";
import { at, build } from "../../core/__tests__/entries.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { jetWords } from "./jets.ts";
import { lineWords } from "./entries.ts";
import { fieldWords } from "./fields.ts";
import { TEARDOWN_WORDS } from "./teardown.ts";
import { warningWords } from "#app/features/today/warnings.ts";
import { reopensWords, WORK_WORDS } from "./work.ts";

const units = Preferences.parse({});
function words(entry: Entry) {
  const line = fold([build(), entry]).lines.at(-1);
  if (!line) throw new Error("log must have a line");
  return lineWords(line, units, 14.6);
}
const entry = <K extends Entry["kind"]>(kind: K, content: object): Entry =>
  ({ id: `${kind}:0001`, at: at("09:00"), kind, ...content }) as unknown as Entry;

describe("lines of the log", () => {
  it("show a measure of a newer Tamis as it stands", () => {
    const check = entry("check", {
      check: "choke",
      state: "pass",
      measured: { chokeSlackMm: 0.5, leverTravelMm: 3 },
      findings: [],
      note: "",
    });
    expect(words(check).result).toBe("slack in the choke cable 0.5 mm · leverTravelMm 3");
  });

  it("tell a check with what was found and measured, then the note", () => {
    const check = entry("check", {
      check: "choke",
      state: "stop",
      measured: { chokeSlackMm: 0.5 },
      findings: ["chokePartOpen"],
      note: "Corroded.",
    });
    expect(words(check)).toEqual({
      kind: "check",
      what: "Choke really off: stop",
      result: "plunger not seated · slack in the choke cable 0.5 mm · Corroded.",
    });
  });

  it("tell who jetted on, and why", () => {
    expect(words(entry("override", { checks: ["choke", "cable"], reason: "last heat" }))).toEqual({
      kind: "I know",
      what: "Jetted on although the choke and the throttle cable says stop",
      result: "last heat",
    });
  });

  it("tell a part that came out with what it reads, and one that went back in", () => {
    const part = (content: object) =>
      words(entry("teardown", { moved: "out", reads: "", torque: "", note: "", photos: [], ...content }));
    expect(part({ step: "screw", reads: "1 3/4" })).toMatchObject({
      what: "Mixture screw, out",
      result: "1 3/4 turns",
    });
    expect(part({ step: "mainJet", reads: "155", note: "slot worn" }).result).toBe("155 · slot worn");
    expect(part({ step: "slide", moved: "in" })).toMatchObject({ what: "Slide, back in", result: "" });
  });

  it("tell work by its own words or by what it was", () => {
    expect(words(entry("work", { what: "pipeChanged", why: "" }))).toMatchObject({
      what: "Pipe changed",
      result: "",
    });
    expect(words(entry("work", { what: "pipeChanged", why: "Class pipe" }))).toMatchObject({
      what: "Class pipe",
      result: "Pipe changed",
    });
  });

  it("tell what was set, how the gauges stood, and what the pipes and runs gave", () => {
    const adjust = (set: object) => words(entry("adjust", { set }));
    expect(adjust({ what: "idleSpeed", rpm: 1210 })).toMatchObject({
      what: "Idle speed set",
      result: "1210 rpm",
    });
    expect(adjust({ what: "spareIdleSpeed", rpm: 900 }).what).toBe("Spare idle stop set");
    expect(adjust({ what: "pump", turns: 1.75 }).result).toBe("1 ¾ turns out");
    const balance = entry("balance", {
      speed: "cruise",
      beforePa: [30_000, 36_000],
      afterPa: [32_000, 33_000],
    });
    expect(words(balance)).toMatchObject({
      what: "Vacuum at cruising speed, 2 gauges",
      result: "spread 6.0 kPa → 1.0 kPa",
    });
    expect(words(entry("headers", { temperaturesK: [493.15, null] })).result).toBe("220.0 °C · –");
    const run = { what: "toSpeed", seconds: 8.42, speedMs: 25 };
    expect(words(entry("run", { run }))).toMatchObject({ what: "0 to 90 km/h", result: "8.42 s" });
  });

  it("tell looks of every kind, with their cylinder", () => {
    const look = (reading: object, cylinder?: number) => words(entry("look", { reading, cylinder }));
    expect(look({ type: "symptom", zone: "low", symptom: "bogs" })).toMatchObject({
      what: "Bogs when cracked open",
      result: "lean, just off idle",
    });
    expect(look({ type: "compared", zone: "top", verdict: "same" })).toMatchObject({
      what: "Against what was fitted before, full throttle (¾ to open)",
      result: "no difference",
    });
    const plug = {
      type: "plug",
      zone: "mid",
      tone: "umber",
      cut: "clean",
      colderSteps: 0,
      findings: ["oily"],
    };
    expect(look(plug, 2)).toMatchObject({
      what: "Cylinder 2: Plug, middle (¼ to ¾), clean cut",
      result: "umber, oily",
    });
  });

  it("tell box and base sheet, and a fit on one of several carburettors", () => {
    const box = { ...ENDURO_BUILD.box, pilots: [45] };
    expect(words(entry("box", { box, why: "" }))).toMatchObject({
      what: "Jet box counted",
      result: "main 12 sizes, pilot 1 size",
    });
    const sheet = { stamp: "A 1", source: "manual", setting: ENDURO_BUILD.baseline.setting, limits: {} };
    expect(words(entry("base", { sheet }))).toMatchObject({ what: "Base sheet A 1", result: "manual" });
    const fit = entry("fit", { changes: [{ part: "main", to: 160, carburettor: 2 }], because: "base" });
    expect(words(fit)).toMatchObject({ what: "Main jet 160 on no. 2", result: "back to base" });
  });
});

describe("words of the rig", () => {
  it("say of every work which doubts it brings back, and of a plug that it brings back none", () => {
    for (const what of WORK_NAMES) {
      expect(WORK_WORDS[what].length).toBeGreaterThan(4);
      expect(reopensWords(what)).toMatch(
        reopenedBy(what).length === 0 ? /no doubt/ : /^Brings back doubt about/,
      );
    }
    expect(reopensWords("floatSet")).toBe(
      "Brings back doubt about the pilot, the needle and the main jet; the next looks settle it again.",
    );
    expect(reopensWords("mainCleaned")).toContain("about the main jet;");
  });

  it("have a name for every field that can be assumed", () => {
    for (const path of Object.keys(ASSUMED_DOUBT)) expect(fieldWords(path)).not.toBe(path);
    expect(fieldWords("usage.top")).toBe("usage.top");
  });

  it("ask at every step of a teardown, with a unit where a number goes into the rig", () => {
    for (const step of TEARDOWN_STEPS) {
      const { title, how, refit } = TEARDOWN_WORDS[step];
      expect(title).toMatch(/^\p{Lu}.*[^.]$/u);
      for (const sentence of [how, refit]) expect(sentence).toMatch(/^\p{Lu}.{3,}[.?]$/su);
    }
    for (const step of NUMBER_STEPS) expect(TEARDOWN_WORDS[step].reads).toBeDefined();
  });

  it("say what is special about a jet", () => {
    expect(jetWords({ number: 150 })).toBe("");
    expect(jetWords({ number: 158, drilled: { stamped: 148, measuredMm: 1.58 } })).toBe(
      "148 drilled to 1.58 mm",
    );
    expect(jetWords({ number: 160, family: { name: "Hex", stamped: 256 } })).toBe("256 of Hex");
  });

  it("warn of a failed walk-round gravely, with the tuner's own reason", () => {
    const { grave, text } = warningWords(
      { code: "walkRound", checks: ["choke"], reason: "last heat" },
      Preferences.parse({}),
    );
    expect(grave).toBe(true);
    expect(text).toContain("the choke");
    expect(text).toContain("“last heat”");
  });
});

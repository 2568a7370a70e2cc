/** What the walk-round's panels say, in the words a tuner reads. */
import { fireEvent, render, screen, within } from "@testing-library/react";
import { humidAir } from "#core/air/humid-air.ts";
import type { BaseSheet, CheckEntry } from "#core/log/schema.ts";
import { CHECKS, FINDINGS, MEASURES, type CheckName } from "#core/log/walk-round-names.ts";
import { CHECK_PLAN } from "#core/walkround/checks.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { limitsForm, limitTexts, sheetFor } from "#app/frame/limits.ts";
import { limitWords, readMeasured, withLimits } from "./check/form.ts";
import { GoodOnes } from "#app/features/rig/GoodOnes.tsx";
import { StateMark } from "./StateMark.tsx";
import { FINDING_WORDS } from "#app/vocabulary/findings.ts";
import { MEASURE_WORDS } from "#app/vocabulary/measures.ts";
import { CHECK_WORDS, checkList, heldWords } from "#app/vocabulary/walk-round.ts";
import { BEND_WORDS, CHECK_GUIDE, EFFECT_WORDS } from "#app/vocabulary/walk-round-guide.ts";
import { CheckPanel } from "./check/CheckPanels.tsx";

const SHEET: BaseSheet = {
  stamp: "E 38-2",
  source: "manual",
  setting: ENDURO_BUILD.baseline.setting,
  limits: { floatLeftMm: { min: 15, max: 17, source: "manual, page 41" } },
};

function panel(check: CheckName, measured: CheckEntry["measured"], sheet: BaseSheet | undefined = SHEET) {
  return render(
    <CheckPanel
      check={check}
      measured={measured}
      build={ENDURO_BUILD}
      fitted={ENDURO_BUILD.baseline.setting}
      sheet={sheet}
      air={humidAir(ENDURO_BUILD.baseline.air)}
    />,
  );
}

describe("the float's panel", () => {
  it("says which way to bend, by how much, and what the level does as it is", () => {
    panel("floatHeight", { floatLeftMm: 14 });
    expect(screen.getByText(/Bend the tab towards the valve.*Move it by 2.0 mm/)).toBeInTheDocument();
    expect(
      screen.getByText(/Fuel 2.0 mm higher than wanted makes idle .* richer, .* full throttle .* richer/),
    ).toBeInTheDocument();
  });
  it("says the contrary for a float that stands too high inverted", () => {
    panel("floatHeight", { floatLeftMm: 18, floatRightMm: 18.2 });
    expect(screen.getByText(/Bend the tab away from the valve/)).toBeInTheDocument();
    expect(screen.getByText(/Fuel 2.1 mm lower than wanted makes idle .* leaner/)).toBeInTheDocument();
  });
  it("leaves a good one alone, and names two that are not alike", () => {
    panel("floatHeight", { floatLeftMm: 15.4, floatRightMm: 16.6 });
    expect(screen.getByText(/leave the tab alone.*not alike/)).toBeInTheDocument();
  });
  it("says nothing before anything was measured, or of a height that cannot be", () => {
    expect(panel("floatHeight", {}).container).toBeEmptyDOMElement();
    expect(panel("floatHeight", { floatLeftMm: 400 }).container).toBeEmptyDOMElement();
  });
});

describe("the other panels", () => {
  it("tell what a wet level out of its limits does, and nothing of one within", () => {
    panel("wetLevel", { wetLevelMm: 4.5 });
    expect(screen.getByText(/Fuel 3.0 mm lower than wanted/)).toBeInTheDocument();
    expect(panel("wetLevel", { wetLevelMm: 1.5 }).container).toBeEmptyDOMElement();
  });
  it("hold the pins against the stamp of what is fitted", () => {
    panel("passages", { mainGoMm: 1.7, mainNoGoMm: 1.72, pilotGoMm: 0.44, pilotNoGoMm: 0.46 });
    expect(
      screen.getByText(/Main 165: its hole has 1.7 to 1.72 mm.*1.65 mm. It has been drilled/),
    ).toBeInTheDocument();
    expect(screen.getByText(/Pilot 45: .* It is what its stamp says/)).toBeInTheDocument();
  });
  it("tell which way to move a carburettor that sits low and to the right", () => {
    panel("airLeaks", { stepTopMm: 0.4, stepBottomMm: -0.4, stepLeftMm: 0.2, stepRightMm: -0.2 });
    expect(screen.getByText(/moves 0.40 mm up and 0.20 mm to the left/)).toBeInTheDocument();
    expect(panel("airLeaks", {}).container).toBeEmptyDOMElement();
  });
  it("turn where and when fuel runs out into causes", () => {
    panel("needleAndSeat", {});
    const first = () =>
      within(screen.getByRole("list", { name: "Likely causes" })).getAllByRole("listitem")[0];
    expect(first()).toHaveTextContent("Dirt in the seat");
    fireEvent.click(screen.getByRole("button", { name: "The stand-pipe" }));
    fireEvent.click(screen.getByRole("button", { name: "Leant over" }));
    expect(first()).toHaveTextContent("The angle only");
  });
  it("are silent for checks that a look decides", () => {
    expect(panel("mounting", {}).container).toBeEmptyDOMElement();
  });
});

describe("a check as typed", () => {
  it("reads commas, leaves empty fields out, and keeps the words of what it cannot read", () => {
    const problems: Record<string, string> = {};
    const texts = { cableSlackMm: "3,5", chokeSlackMm: " ", plugGapMm: "thin", wetLevelMm: "9999" };
    const measured = readMeasured(texts, (measure, words) => {
      problems[measure] = words;
    });
    expect(measured).toEqual({ cableSlackMm: 3.5 });
    expect(problems).toEqual({
      plugGapMm: "“thin” is not a number.",
      wetLevelMm: expect.stringContaining("-50 to 5000") as string,
    });
  });
  it("says what a measure is held against, and where that comes from", () => {
    expect(limitWords("floatLeftMm", ENDURO_BUILD, SHEET)).toBe("15 to 17 mm · manual, page 41");
    expect(limitWords("chokeSlackMm", ENDURO_BUILD, undefined)).toBe("at least 1 mm · common practice");
    expect(limitWords("stepTopMm", ENDURO_BUILD, undefined)).toBe("at most 0.5 mm · common practice");
    expect(limitWords("floatDropMm", ENDURO_BUILD, undefined)).toBe("No limit yet: type your manual’s.");
  });
  it("opens with the tuner's own limits and reads them back", () => {
    const texts = limitTexts(["floatLeftMm", "floatRightMm"], SHEET.limits);
    expect(texts.floatLeftMm).toEqual({ min: "15", max: "17", source: "manual, page 41" });
    expect(texts.floatRightMm).toEqual({ min: "", max: "", source: "" });
    expect(limitsForm.parse(texts)).toEqual(SHEET.limits);
  });
  it("makes a new sheet only where the limits say something new", () => {
    const typed = ["floatLeftMm", "floatRightMm"];
    expect(withLimits(SHEET, typed, SHEET.limits)).toBeUndefined();
    const narrower = { floatLeftMm: { min: 15.5, source: "own" } };
    expect(withLimits(SHEET, typed, narrower)?.limits).toEqual(narrower);
    expect(withLimits(SHEET, typed, {})?.limits).toEqual({}); // taken out
    const other = { ...SHEET, limits: { ...SHEET.limits, wetLevelMm: { max: 2, source: "" } } };
    expect(withLimits(other, typed, narrower)?.limits).toEqual({
      ...narrower,
      wetLevelMm: { max: 2, source: "" },
    });
  });
  it("starts a sheet from the rig where there is none", () => {
    expect(sheetFor(ENDURO_BUILD, undefined)).toMatchObject({ stamp: "E 38-2", setting: { main: 165 } });
    const carburettor = { ...ENDURO_BUILD.carburettor, stamp: undefined };
    expect(sheetFor({ ...ENDURO_BUILD, carburettor }, undefined).stamp).toBe("unstamped");
    expect(sheetFor(ENDURO_BUILD, SHEET)).toBe(SHEET);
  });
});

describe("the words", () => {
  it("are there for every check, measure and finding, and none twice", () => {
    for (const check of CHECKS) {
      const { why, steps, tools } = CHECK_GUIDE[check];
      expect(CHECK_WORDS[check].title).toMatch(/^\p{Lu}.*[^.]$/u);
      for (const sentence of [why, ...steps]) expect(sentence).toMatch(/^\P{Ll}.{15,}[.?]$/su);
      expect(steps.length).toBeGreaterThan(1);
      expect(tools).not.toMatch(/^\s*$/);
    }
    const labels = MEASURES.map((measure) => MEASURE_WORDS[measure].label);
    expect(new Set(labels).size).toBe(MEASURES.length);
    const found = FINDINGS.map((finding) => FINDING_WORDS[finding]);
    expect(new Set(found).size).toBe(FINDINGS.length);
    for (const check of CHECKS)
      for (const finding of Object.values(CHECK_PLAN[check].findings))
        expect(EFFECT_WORDS[finding.effect].length).toBeGreaterThan(5);
  });
  it("carry a caution wherever fuel, sparks or a stuck throttle can hurt", () => {
    const cautioned = CHECKS.filter((check) => CHECK_GUIDE[check].caution !== undefined);
    for (const check of [
      "ignition",
      "cable",
      "breathing",
      "floatHeight",
      "wetLevel",
      "needleAndSeat",
      "airLeaks",
      "mounting",
    ] as const)
      expect(cautioned).toContain(check);
  });
  it("list checks in a sentence", () => {
    expect(checkList(["choke"])).toBe("the choke");
    expect(checkList(["choke", "wetLevel", "cable"])).toBe(
      "the choke, the fuel level and the throttle cable",
    );
    expect(heldWords(["choke"]).title).toBe("Stop: the choke");
    expect(new Set(Object.values(BEND_WORDS)).size).toBe(3);
  });
});

describe("small parts", () => {
  it("show a state as a sign and a word", () => {
    render(<StateMark state="stop" />);
    expect(screen.getByText(/stop/)).toHaveTextContent("■ stop");
  });
  it("show what cannot be used, and take the good ones only when told", () => {
    const [take, leave] = [jest.fn(), jest.fn()];
    const bad = [{ line: 3, text: "main,big", problem: "“big” is no size" }];
    const { rerender } = render(<GoodOnes what="row" good={2} bad={bad} onTake={take} onLeave={leave} />);
    expect(screen.getByRole("alert")).toHaveTextContent("1 of 3 rows cannot be used. Nothing was imported.");
    expect(screen.getByRole("row", { name: /main,big/ })).toHaveTextContent("is no size");
    fireEvent.click(screen.getByRole("button", { name: "Take the 2 good ones" }));
    fireEvent.click(screen.getByRole("button", { name: "Take none" }));
    expect([take.mock.calls.length, leave.mock.calls.length]).toEqual([1, 1]);
    rerender(<GoodOnes what="row" good={0} bad={bad} onTake={take} onLeave={leave} />);
    expect(screen.queryByRole("button", { name: /good ones/ })).not.toBeInTheDocument();
  });
});

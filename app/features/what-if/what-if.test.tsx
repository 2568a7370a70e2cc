/** What can be moved on paper, how far, and what is kept of it. */
import { fireEvent, render, screen } from "@testing-library/react";
import type { Build } from "#core/log/schema.ts";
import type { TrialAsked } from "#core/log/trial-asked.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { triedBuild } from "#core/rig/tried-build.ts";
import { STARTING_KINDS, startingBuild } from "#core/rig/starting-builds.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { Keep } from "./Compare.tsx";
import type { BenchPart } from "#core/log/part-schema.ts";
import { withStraight } from "#core/rig/needle-shape.ts";
import { BoxParts, startWith, triedPartsWords, withTriedPart } from "./BoxParts.tsx";
import { KeptTrials, MOST_KEPT } from "./kept.ts";
import { movedWords, moversOf, type Mover, type Movers } from "./movers.ts";

const units = Preferences.parse({});
function movers(build: Build = ENDURO_BUILD, change: Partial<TrialAsked> = {}, prefs = units): Movers {
  const fitted = build.baseline.setting;
  const asked = { setting: fitted, ...change };
  return moversOf({ asked, build, fitted, today: build.baseline.air, units: prefs });
}
const all = ({ adjusters, air, tank, parts }: Movers): Mover[] => [...adjusters, ...air, ...tank, ...parts];
const mover = (of: Movers, label: string): Mover => {
  const found = all(of).find((one) => one.label === label);
  if (!found) throw new Error(`no ${label}`);
  return found;
};

describe("what can be moved", () => {
  it.each(STARTING_KINDS)("of a %s goes to both of its ends without leaving the machine", (kind) => {
    const build = startingBuild(kind);
    for (const { label, from, to, value, moved } of all(movers(build))) {
      expect(`${label} ${from <= value && value <= to}`).toBe(`${label} true`);
      for (const end of [from, to]) {
        const asked = moved({ setting: build.baseline.setting }, end);
        const tried = triedBuild(build, asked);
        // A needle as thick as its jet is refused by the model in its own words; anything else can be.
        const straight = Math.max(...tried.carburettor.needle.profile.map(({ diameterMm }) => diameterMm));
        if (straight < tried.carburettor.needleJetMm)
          expect(() => checkSettingOn(tried, asked.setting)).not.toThrow();
      }
    }
  });

  it("has no cutaway where a vacuum lifts the slide, and steps that a hand can make", () => {
    const labels = (build: Build) => movers(build).parts.map(({ label }) => label);
    expect(labels(startingBuild("fourStrokeAtv"))).toEqual(["Needle jet", "Needle thicker by"]);
    expect(labels(ENDURO_BUILD)).toContain("Cutaway");
    expect(mover(movers(), "Clip")).toMatchObject({
      from: 1,
      to: ENDURO_BUILD.carburettor.needle.grooves,
      step: 1,
    });
  });

  it("speaks in the tuner's own units", () => {
    const american = Preferences.parse({ temperature: "°F", pressure: "inHg" });
    const { air } = movers(ENDURO_BUILD, {}, american);
    expect(air.map(({ value, words }) => words(value))).toEqual(["59 °F", "29.92 inHg", "50 %"]);
  });

  it("keeps the oil while the ethanol moves, and mixes none beyond the end", () => {
    const mixed: Build = { ...ENDURO_BUILD, fuel: { name: "petrol", oilRatio: 40 } };
    const { tank } = movers(mixed);
    const asked = { setting: mixed.baseline.setting };
    const e10 = mover(movers(mixed), "Ethanol in it").moved(asked, 10);
    expect(e10.fuel).toEqual({ name: "petrol", ethanolPercent: 10, oilRatio: 40 });
    const none = mover(movers(mixed), "Premix").moved(e10, 101);
    expect(none.fuel).toEqual({ name: "petrol", ethanolPercent: 10 });
    expect(tank.map(({ value, words }) => words(value))).toEqual(["0 %", "1:40"]);
    expect(movers(startingBuild("fourStrokeAtv")).tank.map(({ label }) => label)).toEqual(["Ethanol in it"]);
  });

  it("is said only where it differs from what is fitted", () => {
    expect(movedWords(movers())).toEqual([]);
    const main = mover(movers(), "Main").moved({ setting: ENDURO_BUILD.baseline.setting }, 155);
    const hot = { ...ENDURO_BUILD.baseline.air, temperatureK: 303.15 };
    const { setting } = main;
    expect(movedWords(movers(ENDURO_BUILD, { setting, air: hot, thickerMm: 0.01 }))).toEqual([
      "Main 165 → 155",
      "Temperature 15.0 °C → 30.0 °C",
      "Needle thicker by 0 mm → 0.01 mm",
    ]);
  });
});

describe("parts of the box", () => {
  const own = ENDURO_BUILD.carburettor;
  const parts: BenchPart[] = [
    { kind: "needle", name: "B", needle: withStraight(own.needle, 0.02) },
    { kind: "needle", name: "as fitted", needle: own.needle },
    { kind: "needleJet", name: "wide", needleJetMm: 2.7 },
    { kind: "slideSpring", name: "none here", depressionPa: 2500 },
  ];
  const build: Build = { ...ENDURO_BUILD, box: { ...ENDURO_BUILD.box, parts } };
  const asked: TrialAsked = { setting: build.baseline.setting };

  it("are offered kind by kind: what is in already, and what has no place here, is not", () => {
    let now = asked;
    render(<BoxParts tried={now.parts} build={build} onMove={(change) => (now = change(now))} />);
    expect(screen.getAllByRole("combobox")).toHaveLength(2);
    fireEvent.mouseDown(screen.getByRole("combobox", { name: "Needle" }));
    expect(screen.getAllByRole("option").map((option) => option.textContent)).toEqual(["As fitted", "B"]);
    fireEvent.click(screen.getByRole("option", { name: "B" }));
    expect(now.parts).toEqual([parts[0]]);
    expect(triedPartsWords(now)).toEqual(["Needle “B”, 20 minutes"]);
  });

  it("one of a kind is in at a time, and a link may name the first", () => {
    const both = withTriedPart(withTriedPart(asked, "Needle", parts[0]), "Needle jet", parts[2]);
    expect(both.parts).toEqual([parts[0], parts[2]]);
    expect(withTriedPart(both, "Needle", undefined).parts).toEqual([parts[2]]);
    expect(triedBuild(build, both).carburettor).toMatchObject({
      needleJetMm: 2.7,
      needle: withStraight(own.needle, 0.02),
    });
    expect(startWith(build, "wide", asked).parts).toEqual([parts[2]]);
    for (const none of [null, "unheard of", "none here", "as fitted"])
      expect(startWith(build, none, asked)).toBe(asked);
  });

  it("nothing is offered where nothing lies there", () => {
    const { container } = render(
      <BoxParts tried={asked.parts} build={ENDURO_BUILD} onMove={() => undefined} />,
    );
    expect(container).toBeEmptyDOMElement();
  });
});

describe("what is kept", () => {
  it("needs a name of its own", () => {
    const names: string[] = [];
    render(<Keep count={1} names={["Lean"]} onKeep={(name) => names.push(name)} />);
    const keep = (name: string) => {
      fireEvent.change(screen.getByLabelText("Keep it as"), { target: { value: name } });
      fireEvent.click(screen.getByRole("button", { name: "Keep this trial" }));
    };
    keep("  ");
    expect(screen.getByText("Give it a name.")).toBeInTheDocument();
    keep("Lean");
    expect(screen.getByText("There is one of that name already.")).toBeInTheDocument();
    keep("x".repeat(25));
    expect(screen.getByText("At most 24 signs.")).toBeInTheDocument();
    expect(names).toEqual([]);
    keep(" Leaner top ");
    expect(names).toEqual(["Leaner top"]);
    expect(screen.getByLabelText("Keep it as")).toHaveValue("");
  });

  it("is three at the most, and nothing that cannot be read", () => {
    render(<Keep count={MOST_KEPT} names={[]} onKeep={() => undefined} />);
    expect(screen.queryByRole("button")).toBeNull();
    const asked = { setting: ENDURO_BUILD.baseline.setting };
    expect(KeptTrials.safeParse([{ name: "A", asked }]).success).toBe(true);
    expect(KeptTrials.safeParse([{ name: "A", asked: { setting: {} } }]).success).toBe(false);
    expect(KeptTrials.safeParse(Array.from({ length: 4 }, () => ({ name: "A", asked }))).success).toBe(false);
  });
});

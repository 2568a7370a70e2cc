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
import { KeptTrials, MOST_KEPT } from "./kept.ts";
import { movedWords, moversOf, type Mover, type Movers } from "./movers.ts";

const units = Preferences.parse({});
function movers(build: Build = ENDURO_BUILD, change: Partial<TrialAsked> = {}, prefs = units): Movers {
  const fitted = build.baseline.setting;
  const asked = { setting: fitted, ...change };
  return moversOf({ asked, build, fitted, today: build.baseline.air, units: prefs });
}
const all = ({ adjusters, air, parts }: Movers): Mover[] => [...adjusters, ...air, ...parts];
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

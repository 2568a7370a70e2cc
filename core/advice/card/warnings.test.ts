/** The ends of travel: which way an idle asks, which end it then stands at, and which jet would let it go on. */
import { at, build } from "../../__tests__/entries.ts";
import type { Build, Entry } from "../../log/schema.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import { advise } from "./advise.ts";

const PILOT = ENDURO_BUILD.baseline.setting.pilot;
const idleAt = (lambda: number): Entry[] =>
  [1, 2, 3, 4].map((n) => ({
    id: `look:idle-${n}`,
    at: at(`09:0${n}`),
    kind: "look",
    reading: { type: "lambda", zone: "idle", lambda, sensor: "inside" },
  }));
/** What is said of the screw where the box holds the one pilot jet. */
const ofTheScrew = (lambda: number, screw: "air" | "fuel", turns: number, rules?: Build["rules"]) => {
  const { carburettor, baseline, box } = ENDURO_BUILD;
  const start = build("08:00", {
    carburettor: { ...carburettor, screw },
    baseline: { ...baseline, setting: { ...baseline.setting, screwTurns: turns } },
    box: { ...box, pilots: [PILOT] },
    screwWindow: { kind: "fixed", from: 0.5, to: 2.5 },
    ...(rules && { rules }),
  });
  return advise([start, ...idleAt(lambda)]).warnings.find(({ code }) => code === "screwAtStop");
};

describe("a screw at the end of its travel", () => {
  it("is out on an air screw whose idle is rich, in on one whose idle is lean, and the other way round for fuel", () => {
    expect(ofTheScrew(0.55, "air", 2.5)).toMatchObject({ turns: 2.5 });
    expect(ofTheScrew(1.3, "air", 0.5)).toMatchObject({ turns: 0.5 });
    expect(ofTheScrew(0.55, "fuel", 0.5)).toMatchObject({ turns: 0.5 });
    expect(ofTheScrew(1.3, "fuel", 2.5)).toMatchObject({ turns: 2.5 });
  });

  it("names the pilot jet beyond it on the side that the idle asks for", () => {
    const [rich, lean] = [ofTheScrew(0.55, "air", 2.5), ofTheScrew(1.3, "air", 0.5)];
    expect(rich?.code === "screwAtStop" && rich.wantedPilot).toBeLessThan(PILOT);
    expect(lean?.code === "screwAtStop" && lean.wantedPilot).toBeGreaterThan(PILOT);
  });

  it("is no end of travel while the screw can still go on, whoever forbids it to", () => {
    const rules = { locked: ["screwTurns" as const], noWashers: false, onePlug: false };
    expect(ofTheScrew(0.55, "air", 1.5, rules)).toBeUndefined();
    expect(ofTheScrew(1.3, "air", 1.5, rules)).toBeUndefined();
    expect(ofTheScrew(1.3, "air", 0.5, rules)).toBeDefined();
  });
});

import { humidAir } from "../../air/humid-air.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import type { Build } from "../../log/schema.ts";
import { heatMoves, type HeatMove } from "./heat-moves.ts";

const { setting, air } = ENDURO_BUILD.baseline;
const day = humidAir(air);
const movesOf = (build: Build, fitted = setting) => heatMoves(build, fitted, day);
const of = (moves: readonly HeatMove[], part: HeatMove["part"]) => moves.filter((move) => move.part === part);

describe("what moves a temperature", () => {
  const moves = movesOf(ENDURO_BUILD);
  it("has the pilot jet and the screw at the start line, the main jet at the finish, one step each way", () => {
    expect(of(moves, "pilot").map(({ where, weight, from, to }) => [where, weight, from, to])).toEqual([
      ["start", "major", 45, 42],
      ["start", "major", 45, 48],
    ]);
    expect(of(moves, "screwTurns").map(({ weight, to }) => [weight, to])).toEqual([
      ["minor", 1.25],
      ["minor", 1.75],
    ]);
    expect(of(moves, "main").every(({ where, weight }) => where === "finish" && weight === "major")).toBe(
      true,
    );
  });
  it("agrees with the worked example: pilot 48 is 11.07 % richer at idle, main 170 is 3.70 % richer at the top", () => {
    // The demo's enduro is the worked example's engine, in the same air and at the same baseline.
    const rich = of(moves, "pilot").find(({ to }) => to === 48);
    expect(rich?.effect).toBeCloseTo(-0.1107, 3);
    const boxed = { ...ENDURO_BUILD, box: { ...ENDURO_BUILD.box, mains: [165, 170] } };
    expect(of(movesOf(boxed), "main")[0]?.effect).toBeCloseTo(-0.037, 3);
  });
  it("knows that more air is leaner, in either air jet, and that an undrilled tube deadens the high one", () => {
    const jets = { pilotAirJetMm: 1.1, mainAirJetMm: 1, emulsionTubeDrilled: true };
    const drilled = { ...ENDURO_BUILD, carburettor: { ...ENDURO_BUILD.carburettor, ...jets } };
    for (const part of ["lowAirJet", "highAirJet"] as const) {
      const [smaller, larger] = of(movesOf(drilled), part);
      expect(smaller?.effect).toBeLessThan(0);
      expect(larger?.effect).toBeGreaterThan(0);
      expect((larger?.to ?? 0) - (larger?.from ?? 0)).toBeCloseTo(0.1, 9);
    }
    const deaf = { ...drilled, carburettor: { ...drilled.carburettor, emulsionTubeDrilled: false } };
    expect(of(movesOf(deaf), "highAirJet")).toEqual([]);
  });
  it("never names a screw turned in beyond its seat, nor what the class locks", () => {
    expect(
      of(movesOf(ENDURO_BUILD, { ...setting, screwTurns: 0 }), "screwTurns").map(({ to }) => to),
    ).toEqual([0.25]);
    const rules = { locked: ["main" as const], noWashers: false, onePlug: false };
    expect(of(movesOf({ ...ENDURO_BUILD, rules }), "main")).toEqual([]);
  });
});

/**
 * What moves a temperature, as the methanol school has it: at the start line the low circuit (pilot jet and low
 * air jet are major moves, the screw a minor one), at the finish the main (main jet, high air jet).
 */
import type { HumidAir } from "../../air/humid-air.ts";
import type { Carburettor } from "../../carburettor/carburettor.ts";
import { buildModel, feedAt, pointAt, type Model } from "../../carburettor/model.ts";
import { PROBES } from "../../carburettor/zones.ts";
import type { Build, Setting } from "../../log/schema.ts";
import { rigFromBuild, settingFromLog } from "../../rig/from-build.ts";
import { choices } from "./choices.ts";

export interface HeatMove {
  readonly where: "start" | "finish";
  readonly weight: "major" | "minor";
  readonly part: "pilot" | "lowAirJet" | "screwTurns" | "main" | "highAirJet";
  /** as stamped, in turns out, or mm */
  readonly from: number;
  readonly to: number;
  /** how the mixture moves there, log, + leaner */
  readonly effect: number;
}

const SCREW_STEP = 0.25;
const AIR_JET_STEP_MM = 0.1;
const OPENING = { start: PROBES.idle, finish: PROBES.top } as const;

/** The next value either side of what is fitted. */
function neighbours(values: readonly number[], fitted: number): number[] {
  const below = values.findLast((value) => value < fitted);
  const above = values.find((value) => value > fitted);
  return [below, above].filter((value) => value !== undefined);
}

/** The same carburettor with another air jet: what reaches the pilot outlet stays as it was solved. */
const withAirJet = (model: Model, change: Partial<Carburettor>): Model => ({
  ...model,
  rig: { ...model.rig, carburettor: { ...model.rig.carburettor, ...change } },
});

/** The moves of one part at one place, one a value that it could have. */
type Moves = (
  part: HeatMove["part"],
  values: readonly (readonly [to: number, lnAirFuel: number])[],
) => HeatMove[];

const moves =
  (where: HeatMove["where"], weight: HeatMove["weight"], from: number, now: number): Moves =>
  (part, values) =>
    values.map(([to, lnAirFuel]) => ({ where, weight, part, from, to, effect: lnAirFuel - now }));

/** @returns every move there is on this rig, one step each way, with what each does in this air */
export function heatMoves(build: Build, fitted: Setting, air: HumidAir): HeatMove[] {
  const model = buildModel(rigFromBuild(build));
  const options = choices(build, fitted);
  const lnAirFuel = (where: HeatMove["where"], setting: Setting, on: Model = model): number =>
    feedAt(on, settingFromLog(setting), pointAt(model.rig, air, OPENING[where])).lnAirFuel;
  const byPart = (
    where: HeatMove["where"],
    part: "pilot" | "screwTurns" | "main",
    values: readonly number[],
  ) =>
    moves(
      where,
      part === "screwTurns" ? "minor" : "major",
      fitted[part],
      lnAirFuel(where, fitted),
    )(
      part,
      neighbours(values, fitted[part]).map((to) => [to, lnAirFuel(where, { ...fitted, [part]: to })]),
    );
  const byAirJet = (
    where: HeatMove["where"],
    part: "lowAirJet" | "highAirJet",
    fittedMm: number | undefined,
    jet: (mm: number) => Partial<Carburettor>,
  ) =>
    fittedMm === undefined
      ? []
      : moves(
          where,
          "major",
          fittedMm,
          lnAirFuel(where, fitted),
        )(
          part,
          [fittedMm - AIR_JET_STEP_MM, fittedMm + AIR_JET_STEP_MM]
            .map((mm) => Math.round(100 * mm) / 100)
            .filter((mm) => mm > 0)
            .map((mm) => [mm, lnAirFuel(where, fitted, withAirJet(model, jet(mm)))]),
        );
  const { pilotAirJetMm, mainAirJetMm, emulsionTubeDrilled } = build.carburettor;
  const turns = [fitted.screwTurns - SCREW_STEP, fitted.screwTurns + SCREW_STEP].filter((x) => x >= 0);
  return [
    ...byPart("start", "pilot", options.pilot),
    ...byAirJet("start", "lowAirJet", pilotAirJetMm, (mm) => ({ pilotAirJetM: mm / 1000 })),
    ...byPart("start", "screwTurns", turns),
    ...byPart("finish", "main", options.main),
    ...byAirJet("finish", "highAirJet", emulsionTubeDrilled ? mainAirJetMm : undefined, (mm) => ({
      mainAirJetM: mm / 1000,
    })),
  ];
}

/** Idle mixture as a function of screw turns by the model: the abscissa of the best-idle fit. */
import type { HumidAir } from "../air/humid-air.ts";
import { SCREW_DOMAIN, type Setting } from "./carburettor.ts";
import { feedAt, pointAt, type Model } from "./model.ts";

const STEP_TURNS = 0.1;
const FURTHEST_TURNS = SCREW_DOMAIN.max;

/** Turns out, and how far the idle mixture has moved from the seat: rising whichever fluid the screw meters. */
export interface ScrewTable {
  readonly turns: readonly number[];
  readonly mixture: readonly number[];
}

/** @throws {RangeError} if the setting is impossible on this model */
export function screwScale(model: Model, setting: Setting, air: HumidAir): ScrewTable {
  const point = pointAt(model.rig, air, 0);
  const turns = Array.from(
    { length: Math.round(FURTHEST_TURNS / STEP_TURNS) + 1 },
    (_, i) => Math.round(i * STEP_TURNS * 10) / 10,
  );
  const shifts = turns.map((screwTurns) => feedAt(model, { ...setting, screwTurns }, point).lnAirFuel);
  const seated = shifts[0] ?? 0;
  return { turns, mixture: shifts.map((shift) => Math.abs(shift - seated)) };
}

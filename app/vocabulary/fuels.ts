/** Fuels by name, and what another tank does. */
import { fuelShift, oilShare, OIL_BURNT_SD } from "#core/carburettor/fuel.ts";
import type { Build } from "#core/log/schema.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { shiftWords, sizeWords } from "./parts.ts";

type LoggedFuel = Build["fuel"];

export const FUEL_NAMES = [
  ["petrol", "Petrol"],
  ["methanol", "Methanol"],
] as const;

export const ETHANOL_HINT = "By volume, as the pump says: E5 has up to 5, E10 up to 10. Empty: none.";
export const OIL_HINT =
  "Parts of fuel to one of oil, such as 40 for 1:40. Empty: none is mixed in. More oil is leaner, not richer: it takes the place of fuel.";

/** @returns "E10 with oil 1:40" */
export function fuelName(fuel: LoggedFuel): string {
  const oil = fuel.oilRatio === undefined ? "" : ` with oil 1:${fuel.oilRatio}`;
  if (fuel.name !== "petrol")
    return `${fuel.name === "methanol" ? "methanol" : "fuel by its data sheet"}${oil}`;
  const ethanol = fuel.ethanolPercent ?? 0;
  return `${ethanol === 0 ? "pure petrol" : `E${ethanol}`}${oil}`;
}

/** Less than this nobody can read off an engine. */
const NOTHING = 0.0005;

/** @returns "E10 instead of pure petrol: 4 % leaner", nothing where it is the same fuel */
export function fuelChangeWords(from: LoggedFuel, to: LoggedFuel): string | undefined {
  const [before, after] = [fuelFromLog(from), fuelFromLog(to)];
  const shift = fuelShift(before, after);
  const [was, is] = [fuelName(from), fuelName(to)];
  if (was === is && Math.abs(shift) < NOTHING) return undefined;
  const oilSd = OIL_BURNT_SD * Math.abs(oilShare(from.oilRatio) - oilShare(to.oilRatio));
  const doubt = oilSd < NOTHING ? "" : ` (± ${sizeWords(100 * oilSd)})`;
  const does = Math.abs(shift) < NOTHING ? "no difference" : `${shiftWords(shift)}${doubt}`;
  return `${is} instead of ${was}: ${does}`;
}

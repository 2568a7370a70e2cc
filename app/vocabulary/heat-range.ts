/** Heat ranges of plugs in the way their maker counts, and what strap and porcelain say of them. */
import type { HeatRangeSays } from "#core/looks/heat-range.ts";
import type { Build } from "#core/log/schema.ts";

const STEPS = [3, 2, 1, 0, -1, -2, -3] as const;

const sizeWords = (steps: number): string => `${Math.abs(steps)} ${Math.abs(steps) === 1 ? "step" : "steps"}`;

/** @returns `["1", "9, 1 step too cold"]`: steps colder than the right plug, as stamped where the rig says it */
export function heatRangeOptions(plug: Build["plug"]): (readonly [string, string])[] {
  return STEPS.map((colder) => {
    const stamped = plug ? plug.heatRange + (plug.higherIs === "colder" ? colder : -colder) : undefined;
    const words = colder === 0 ? "the right one" : `${sizeWords(colder)} too ${colder > 0 ? "cold" : "hot"}`;
    return [String(colder), stamped === undefined || stamped < 0 ? words : `${stamped}: ${words}`] as const;
  });
}

export const HEAT_RANGE_SAYS: Readonly<Record<HeatRangeSays, string>> = {
  tooCold:
    "The strap is much darker than the porcelain: this plug is too cold. Settle its heat range before any jet.",
  tooHot:
    "The strap is much paler than the porcelain: this plug is too hot. Settle its heat range before any jet.",
};

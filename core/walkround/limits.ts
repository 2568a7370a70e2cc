/** Limits of each measure and their source. */
import type { BaseSheet, Build, Limit } from "../log/schema.ts";
import type { MeasureName } from "../log/walk-round-names.ts";
import { requireFinite } from "../units/guard.ts";

export interface LimitInForce extends Limit {
  /** `rules` and `sheet` are the tuner's own; `usual` is common practice, no maker's figure */
  readonly from: "rules" | "sheet" | "rig" | "usual";
}

/**
 * Common practice, for want of a manual's figure. What belongs to a make or model is never built in: float
 * height, float drop and fuel flow have no usual value here.
 */
const USUAL: Readonly<Partial<Record<MeasureName, Omit<Limit, "source">>>> = {
  chokeSlackMm: { min: 1 },
  cableSlackMm: { min: 2, max: 6 },
  wetLevelMm: { min: 1, max: 2 },
  stepTopMm: { max: 0.5 },
  stepBottomMm: { max: 0.5 },
  stepLeftMm: { max: 0.5 },
  stepRightMm: { max: 0.5 },
};

const FLOAT_HEIGHTS: readonly MeasureName[] = ["floatLeftMm", "floatRightMm"];
const GAP_TOLERANCE_MM = 0.05;
/** A spring that has lost a twentieth of its length has sagged. */
const SPRING_SHARE = 0.95;

function fromRig(measure: MeasureName, { plug, carburettor }: Build): Omit<Limit, "source"> | undefined {
  if (measure === "plugGapMm" && plug)
    return { min: plug.gapMm - GAP_TOLERANCE_MM, max: plug.gapMm + GAP_TOLERANCE_MM };
  if (measure === "slideSpringMm" && carburettor.slideSpringMm !== undefined)
    return { min: SPRING_SHARE * carburettor.slideSpringMm };
  if (measure === "pumpTurns" && carburettor.pumpBaseTurns !== undefined)
    return { min: carburettor.pumpBaseTurns - 0.25, max: carburettor.pumpBaseTurns + 0.25 };
  return undefined;
}

/** @returns the limit to hold a measurement against: rule book, base sheet, rig, common practice, or none */
export function limitFor(measure: MeasureName, build: Build, sheet?: BaseSheet): LimitInForce | undefined {
  const range = build.rules?.floatMm;
  if (range && FLOAT_HEIGHTS.includes(measure))
    return { min: range.from, max: range.to, source: "class rules", from: "rules" };
  // Both floats alike: what is typed for one holds for the other.
  const own = sheet?.limits[measure] ?? (measure === "floatRightMm" ? sheet?.limits.floatLeftMm : undefined);
  if (own && (own.min !== undefined || own.max !== undefined)) return { ...own, from: "sheet" };
  const rig = fromRig(measure, build);
  if (rig) return { ...rig, source: "the rig as described", from: "rig" };
  const usual = USUAL[measure];
  return usual && { ...usual, source: "common practice", from: "usual" };
}

export type Side = "within" | "below" | "above";

/** @throws {RangeError} if the value is no number */
export function sideOf(value: number, { min, max }: Pick<Limit, "min" | "max">): Side {
  requireFinite("measured value", value);
  const slack = 1e-9;
  if (min !== undefined && value < min - slack) return "below";
  if (max !== undefined && value > max + slack) return "above";
  return "within";
}

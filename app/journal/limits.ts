/** The tuner’s own limits as typed, and the sheet they stand on. */
import type { BaseSheet, Build, Limit } from "#core/log/schema.ts";
import { MeasureName, type MeasureName as Measure } from "#core/log/walk-round-names.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";

export interface LimitTexts {
  readonly min: string;
  readonly max: string;
  readonly source: string;
}
export type LimitsTexts = Readonly<Partial<Record<Measure, LimitTexts>>>;

export type LimitsRead =
  { ok: true; limits: Partial<Record<Measure, Limit>> } | { ok: false; measure: Measure; message: string };

function readBound(value: string): number | undefined | "wrong" {
  if (value.trim() === "") return undefined;
  const read = readTypedNumber(value);
  return read.ok && read.value >= -50 && read.value <= 500 ? read.value : "wrong";
}

/** @returns limits where at least one bound was typed, or the first that cannot be */
export function readLimits(texts: LimitsTexts): LimitsRead {
  const limits: Partial<Record<Measure, Limit>> = {};
  for (const measure of MeasureName.options) {
    const typed = texts[measure];
    if (!typed) continue;
    const [min, max] = [readBound(typed.min), readBound(typed.max)];
    if (min === "wrong" || max === "wrong")
      return { ok: false, measure, message: "A limit is a number of -50 to 500, or empty." };
    if (min === undefined && max === undefined) continue;
    if (min !== undefined && max !== undefined && min > max)
      return { ok: false, measure, message: `The limits stand the wrong way round: ${min} to ${max}.` };
    limits[measure] = {
      ...(min !== undefined && { min }),
      ...(max !== undefined && { max }),
      source: typed.source.trim().slice(0, 60),
    };
  }
  return { ok: true, limits };
}

/** The sheet for a rig that has none yet. */
export const UNSTAMPED = "unstamped";
export const sheetFor = (build: Build, sheet: BaseSheet | undefined): BaseSheet =>
  sheet ?? {
    stamp: build.carburettor.stamp ?? UNSTAMPED,
    source: "",
    setting: build.baseline.setting,
    limits: {},
  };

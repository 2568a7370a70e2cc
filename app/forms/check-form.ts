/** A check of the walk-round as typed: measures as text, with their limits, and what was found. */
import * as z from "zod";
import type { BaseSheet, Build, CheckEntry, Limit } from "#core/log/schema.ts";
import { CheckEntry as CheckSchema } from "#core/log/schema.ts";
import {
  CheckState,
  FindingName,
  MeasureName,
  type CheckName,
  type MeasureName as Measure,
} from "#core/log/walk-round-names.ts";
import { CHECK_PLAN } from "#core/walkround/checks.ts";
import { limitFor } from "#core/walkround/limits.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { MEASURE_WORDS } from "#app/words/walk-round.ts";

export interface LimitTexts {
  readonly min: string;
  readonly max: string;
  readonly source: string;
}
export type Texts = Readonly<Partial<Record<Measure, string>>>;
export type LimitsTexts = Readonly<Partial<Record<Measure, LimitTexts>>>;

export interface MeasuredRead {
  readonly measured: CheckEntry["measured"];
  readonly problems: Readonly<Partial<Record<Measure, string>>>;
}

/** @returns the numbers that can be read; an empty field was not measured */
export function readMeasured(texts: Texts): MeasuredRead {
  const measured: Partial<Record<Measure, number>> = {};
  const problems: Partial<Record<Measure, string>> = {};
  for (const name of MeasureName.options) {
    const text = texts[name] ?? "";
    if (text.trim() === "") continue;
    const read = readTypedNumber(text);
    const range = read.ok && CheckSchema.shape.measured.safeParse({ [name]: read.value }).success;
    if (!read.ok) problems[name] = `“${text}” is not a number.`;
    else if (!range) problems[name] = `${MEASURE_WORDS[name].label} must be -50 to 5000.`;
    else measured[name] = read.value;
  }
  return { measured, problems };
}

const text = (value: number | undefined): string =>
  value === undefined ? "" : String(Number(value.toFixed(3)));

/** The tuner's own limits as they stand, empty where there are none. */
export function limitTexts(check: CheckName, sheet: BaseSheet | undefined): LimitsTexts {
  return Object.fromEntries(
    CHECK_PLAN[check].measures.map((measure) => {
      const own = sheet?.limits[measure];
      return [measure, { min: text(own?.min), max: text(own?.max), source: own?.source ?? "" }];
    }),
  );
}

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

/** @returns the sheet with the limits typed for some measures, or nothing when they say what it says already */
export function withLimits(
  sheet: BaseSheet,
  typed: readonly string[],
  limits: Partial<Record<Measure, Limit>>,
): BaseSheet | undefined {
  const merged: Partial<Record<Measure, Limit>> = {};
  for (const measure of MeasureName.options) {
    const limit = typed.includes(measure) ? limits[measure] : sheet.limits[measure];
    if (limit) merged[measure] = limit;
  }
  const inOrder = (all: Partial<Record<Measure, Limit>>) =>
    JSON.stringify(MeasureName.options.map((measure) => all[measure] ?? null));
  return inOrder(merged) === inOrder(sheet.limits) ? undefined : { ...sheet, limits: merged };
}

export function limitWords(measure: Measure, build: Build, sheet: BaseSheet | undefined): string {
  const limit = limitFor(measure, build, sheet);
  if (!limit) return "No limit yet: type your manual’s.";
  const { unit } = MEASURE_WORDS[measure];
  const [min, max] = [text(limit.min), text(limit.max)];
  const range = min === "" ? `at most ${max}` : max === "" ? `at least ${min}` : `${min} to ${max}`;
  return `${range} ${unit} · ${limit.source === "" ? "own limit" : limit.source}`;
}

const TextRecord = z.partialRecord(MeasureName, z.string().max(40));
/** What the check's screen sends. */
export const CheckSent = z.object({
  state: CheckState,
  texts: TextRecord,
  limits: z.partialRecord(
    MeasureName,
    z.object({ min: z.string().max(40), max: z.string().max(40), source: z.string().max(60) }),
  ),
  findings: z.array(FindingName).max(20),
  note: z.string().max(2000),
});
export type CheckSent = z.infer<typeof CheckSent>;

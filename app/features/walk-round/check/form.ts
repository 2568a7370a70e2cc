/** A check of the walk-round as typed: measures as text, with their limits, and what was found. */
import * as z from "zod/mini";
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
import type { LimitsTexts } from "#app/journal/limits.ts";
import { MEASURE_WORDS } from "#app/vocabulary/measures.ts";

export type Texts = Readonly<Partial<Record<Measure, string>>>;
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

const TextRecord = z.partialRecord(MeasureName, z.string().check(z.maxLength(40)));
/** What the check's screen sends. */
export const CheckSent = z.object({
  state: CheckState,
  texts: TextRecord,
  limits: z.partialRecord(
    MeasureName,
    z.object({
      min: z.string().check(z.maxLength(40)),
      max: z.string().check(z.maxLength(40)),
      source: z.string().check(z.maxLength(60)),
    }),
  ),
  findings: z.array(FindingName).check(z.maxLength(20)),
  note: z.string().check(z.maxLength(2000)),
});
export type CheckSent = z.infer<typeof CheckSent>;

/** A check of the walk-round as typed: measures as text, with their limits, and what was found. */
import * as z from "zod/mini";
import type { BaseSheet, Build, CheckEntry, Limit } from "#core/log/schema.ts";
import { CheckEntry as CheckSchema } from "#core/log/schema.ts";
import {
  CheckState,
  FindingName,
  MeasureName,
  type MeasureName as Measure,
} from "#core/log/walk-round-names.ts";
import { limitFor } from "#core/walkround/limits.ts";
import type { Refusal } from "#core/units/guard.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { limitsForm } from "#app/frame/limits.ts";
import { sayIssue } from "#app/ui/say-issue.ts";
import { MEASURE_WORDS } from "#app/vocabulary/measures.ts";
import { shortest } from "#app/vocabulary/numerals.ts";
import { noNumber } from "#app/vocabulary/bounds.ts";

export type Texts = Readonly<Partial<Record<Measure, string>>>;

/** @returns the numbers that can be read; an empty field was not measured */
export function readMeasured(texts: Texts, say: (measure: Measure, words: string) => void = () => undefined) {
  const measured: CheckEntry["measured"] = {};
  for (const name of MeasureName.options) {
    const typed = texts[name] ?? "";
    if (typed.trim() === "") continue;
    const read = readTypedNumber(typed);
    if (!read.ok) say(name, noNumber(typed));
    else if (!CheckSchema.shape.measured.safeParse({ [name]: read.value }).success)
      say(name, `${MEASURE_WORDS[name].label} must be -50 to 5000.`);
    else measured[name] = read.value;
  }
  return measured;
}

const text = (value: number | undefined): string => (value === undefined ? "" : shortest(value, 3));

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

export const CheckForm = z.object({
  /** as the tuner says; empty: as it comes to */
  state: z.union([CheckState, z.literal("")]),
  measured: z.pipe(
    z.partialRecord(MeasureName, z.string().check(z.maxLength(40))),
    z.transform((texts, ctx) => readMeasured(texts, (measure, words) => sayIssue(ctx, words, [measure]))),
  ),
  limits: limitsForm,
  findings: z.array(FindingName).check(z.maxLength(20)),
  note: z.string().check(z.maxLength(2000)),
});
export type CheckTexts = z.input<typeof CheckForm>;

/** The measure that a refusal is about, by the name it is refused under. */
const MEASURES_REFUSED: Readonly<Record<string, Measure>> = {
  "float height, left": "floatLeftMm",
  "float height, right": "floatRightMm",
  "step topMm": "stepTopMm",
  "step bottomMm": "stepBottomMm",
  "step leftMm": "stepLeftMm",
  "step rightMm": "stepRightMm",
  "pilot go pin": "pilotGoMm",
  "pilot no-go pin": "pilotNoGoMm",
  "main go pin": "mainGoMm",
  "main no-go pin": "mainNoGoMm",
};

/** @returns at which measure it is said, nothing where no one of them is to blame */
export const measureOf = ({ field }: Refusal): Measure | undefined => MEASURES_REFUSED[field];

/** Under which what was typed of one check is kept. */
export const checkDraft = (check: string): string => `check/${check}`;

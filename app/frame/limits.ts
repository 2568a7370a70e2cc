/** The tuner's own limits as typed, and the base sheet they belong to. */
import * as z from "zod/mini";
import type { BaseSheet, Build, Limit } from "#core/log/schema.ts";
import { MeasureName } from "#core/log/walk-round-names.ts";
import { saveSheets } from "#app/store/base-sheets.ts";
import { maybe, typedNumber } from "#app/ui/typed.ts";
import { sayIssue } from "#app/ui/say-issue.ts";
import type { ActionProblem, Content } from "#app/journal/save.ts";
import { shortest } from "#app/vocabulary/numerals.ts";

const bound = maybe(typedNumber(z.number().check(z.gte(-50), z.lte(500))));

/** One limit: at least one bound, the right way round; without any it is none. */
const limit = z.pipe(
  z.object({ min: bound, max: bound, source: z.string().check(z.trim(), z.maxLength(60)) }),
  z.transform(({ min, max, source }, ctx): Limit | undefined => {
    if (min === undefined && max === undefined) return undefined;
    if (min !== undefined && max !== undefined && min > max)
      sayIssue(ctx, `The limits are the wrong way round: ${min} to ${max}.`, ["max"]);
    return { ...(min !== undefined && { min }), ...(max !== undefined && { max }), source };
  }),
);

export const limitsForm = z.pipe(
  z.partialRecord(MeasureName, limit),
  z.transform((limits): BaseSheet["limits"] => {
    const typed: Partial<Record<MeasureName, Limit>> = {};
    for (const measure of MeasureName.options) if (limits[measure]) typed[measure] = limits[measure];
    return typed;
  }),
);
export type LimitsTexts = z.input<typeof limitsForm>;

const text = (value: number | undefined): string => (value === undefined ? "" : shortest(value, 3));

/** @returns the limits of some measures as they stand, empty where there are none */
export const limitTexts = (
  measures: readonly MeasureName[],
  limits: BaseSheet["limits"] | undefined,
): LimitsTexts =>
  Object.fromEntries(
    measures.map((measure) => {
      const own = limits?.[measure];
      return [measure, { min: text(own?.min), max: text(own?.max), source: own?.source ?? "" }];
    }),
  );

/** The sheet for a rig that has none yet. */
export const UNSTAMPED = "unstamped";
export const sheetFor = (build: Build, sheet: BaseSheet | undefined): BaseSheet =>
  sheet ?? {
    stamp: build.carburettor.stamp ?? UNSTAMPED,
    source: "",
    setting: build.baseline.setting,
    limits: {},
  };

/** What was logged of base sheets is kept for the next carburettor with that number. */
export async function keepSheets(contents: readonly Content[]): Promise<ActionProblem | undefined> {
  const sheets = contents.flatMap((content) =>
    content.kind === "base" && content.sheet.stamp !== UNSTAMPED ? [content.sheet] : [],
  );
  const kept = sheets.length > 0 ? await saveSheets(sheets) : undefined;
  return kept?.ok === false ? { message: `Saved in this rig’s log. ${kept.problem.message}` } : undefined;
}

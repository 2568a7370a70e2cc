/** A base sheet as typed. */
import * as z from "zod/mini";
import { BaseSheet, Setting } from "#core/log/schema.ts";
import { MeasureName } from "#core/log/walk-round-names.ts";
import { PARTS } from "#core/log/parts.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { boundWords } from "#app/vocabulary/bounds.ts";
import { readLimits, type LimitsTexts } from "#app/journal/limits.ts";

const Line = z.string().check(z.maxLength(60));
const LimitText = z.object({
  min: z.string().check(z.maxLength(40)),
  max: z.string().check(z.maxLength(40)),
  source: Line,
});
export const BaseSent = z.object({
  stamp: z
    .string()
    .check(
      z.trim(),
      z.minLength(1, "Type the number stamped on the carburettor."),
      z.maxLength(40, "At most 40 signs."),
    ),
  source: Line.check(z.trim()),
  setting: z.record(z.enum(PARTS), z.string().check(z.maxLength(40))),
  limits: z.partialRecord(MeasureName, LimitText),
});
export type BaseSent = z.infer<typeof BaseSent>;

export type BaseRead = { ok: true; sheet: BaseSheet } | { ok: false; fields: Record<string, string> };

const text = (value: number | undefined): string => (value === undefined ? "" : String(value));

export function baseTexts(sheet: BaseSheet): BaseSent {
  const { setting, limits } = sheet;
  const texts: LimitsTexts = Object.fromEntries(
    MeasureName.options.map((measure) => {
      const limit = limits[measure];
      return [measure, { min: text(limit?.min), max: text(limit?.max), source: limit?.source ?? "" }];
    }),
  );
  return {
    stamp: sheet.stamp,
    source: sheet.source,
    setting: {
      pilot: text(setting.pilot),
      screwTurns: text(setting.screwTurns),
      clip: text(setting.clip),
      main: text(setting.main),
      shimMm: text(setting.shimMm),
    },
    limits: texts,
  };
}

/** @returns the sheet, or what is wrong by field: `stamp`, a part, or a measure */
export function readBase(sent: BaseSent): BaseRead {
  const fields: Record<string, string> = {};
  const setting: Record<string, number> = {};
  for (const part of PARTS) {
    const read = readTypedNumber(sent.setting[part]);
    const value = read.ok ? read.value : Number.NaN;
    if (!read.ok)
      fields[part] = sent.setting[part].trim() === "" ? "Type a number here." : "This is not a number.";
    else {
      const bounds = Setting.shape[part].safeParse(value, { error: boundWords });
      if (!bounds.success) fields[part] = bounds.error.issues[0]?.message ?? "This cannot be.";
    }
    setting[part] = value;
  }
  const limits = readLimits(sent.limits);
  if (!limits.ok) fields[limits.measure] = limits.message;
  if (Object.keys(fields).length > 0 || !limits.ok) return { ok: false, fields };
  const sheet = BaseSheet.safeParse({
    stamp: sent.stamp,
    source: sent.source,
    setting,
    limits: limits.limits,
  });
  return sheet.success
    ? { ok: true, sheet: sheet.data }
    : { ok: false, fields: { stamp: sheet.error.issues[0]?.message ?? "This cannot be saved." } };
}

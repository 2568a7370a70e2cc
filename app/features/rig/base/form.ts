/** A base sheet as typed. */
import * as z from "zod/mini";
import { Setting, type BaseSheet } from "#core/log/schema.ts";
import { MeasureName } from "#core/log/walk-round-names.ts";
import { limitsForm, limitTexts } from "#app/frame/limits.ts";
import { typedNumber } from "#app/ui/typed.ts";

const S = Setting.shape;

export const BaseForm = z.object({
  stamp: z
    .string()
    .check(
      z.trim(),
      z.minLength(1, "Type the number stamped on the carburettor."),
      z.maxLength(40, "At most 40 signs."),
    ),
  source: z.string().check(z.trim(), z.maxLength(60)),
  setting: z.object({
    pilot: typedNumber(S.pilot),
    screwTurns: typedNumber(S.screwTurns),
    clip: typedNumber(S.clip),
    main: typedNumber(S.main),
    shimMm: typedNumber(S.shimMm),
  }),
  limits: limitsForm,
});
export type BaseTexts = z.input<typeof BaseForm>;

export const baseTexts = ({ stamp, source, setting, limits }: BaseSheet): BaseTexts => ({
  stamp,
  source,
  setting: {
    pilot: String(setting.pilot),
    screwTurns: String(setting.screwTurns),
    clip: String(setting.clip),
    main: String(setting.main),
    shimMm: String(setting.shimMm),
  },
  limits: limitTexts(MeasureName.options, limits),
});

/** What has been fitted, as typed: only parts that differ become changes; used by the form and its action. */
import * as z from "zod/mini";
import { PARTS, type Part } from "#core/log/parts.ts";
import { Change, type Setting } from "#core/log/schema.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { PART_NAMES } from "#app/vocabulary/parts.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

const text = z.string().check(z.maxLength(40));
const Texts = z.object({
  /** counted from 1; empty for all of them */
  carburettor: text,
  pilot: text,
  screwTurns: text,
  clip: text,
  main: text,
  shimMm: text,
});
export type ChangeTexts = z.infer<typeof Texts>;

const RULES: Readonly<Record<Part, string>> = {
  pilot: "a jet number from 5 to 999",
  screwTurns: "turns out from 0 to 10, such as 1 3/4",
  clip: "a groove counted from the top",
  main: "a jet number from 5 to 999",
  shimMm: "millimetres from -5 to 5",
};

/** @returns the carburettor (from 0) that is meant, or nothing for all of them */
export function carburettorNamed(named: string | null, count: number): number | undefined {
  const read = Number(named ?? NaN);
  return Number.isInteger(read) && read >= 1 && read <= count && count > 1 ? read - 1 : undefined;
}

/** @param settings - what is fitted on each carburettor: only differences are logged */
export const changeForm = (settings: readonly Setting[]) =>
  z.pipe(
    Texts,
    z.transform((texts, ctx): Change[] => {
      const which = carburettorNamed(texts.carburettor, settings.length);
      const fitted = settings[which ?? 0];
      return PARTS.flatMap((part) => {
        const read = readTypedNumber(texts[part]);
        const parsed = Change.safeParse({
          part,
          to: read.ok ? read.value : Number.NaN,
          ...(which !== undefined && { carburettor: which + 1 }),
        });
        if (!parsed.success) {
          sayIssue(ctx, `${PART_NAMES[part]} must be ${RULES[part]}; this is “${texts[part]}”.`, [part]);
          return [];
        }
        return parsed.data.to === fitted?.[part] ? [] : [parsed.data];
      });
    }),
  );

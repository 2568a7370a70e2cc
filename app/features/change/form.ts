/** What has been fitted, as typed: only parts that differ become changes; used by the form and its action. */
import * as z from "zod/mini";
import { PARTS, type Part } from "#core/log/parts.ts";
import { Change, Setting, type Build } from "#core/log/schema.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { PART_NAMES } from "#app/vocabulary/parts.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

const Texts = z.object({
  pilot: z.string(),
  screwTurns: z.string(),
  clip: z.string(),
  main: z.string(),
  shimMm: z.string(),
});
export type ChangeTexts = z.infer<typeof Texts>;

const RULES: Readonly<Record<Part, string>> = {
  pilot: "a jet number from 5 to 999",
  screwTurns: "turns out from 0 to 10, such as 1 3/4",
  clip: "a groove counted from the top",
  main: "a jet number from 5 to 999",
  shimMm: "millimetres from -5 to 5",
};

/**
 * @param build - refuses what this machine cannot have
 * @param fitted - only differences are logged
 * @param carburettor - counted from 1; none: on all of them
 */
export function changeForm(build: Build, fitted: Setting, carburettor?: number) {
  return z.pipe(
    Texts,
    z.transform((texts, ctx): Change[] => {
      const typed = PARTS.map((part) => ({ part, read: readTypedNumber(texts[part]) }));
      const changes = typed.flatMap(({ part, read }) => {
        const parsed = Change.safeParse({
          part,
          to: read.ok ? read.value : Number.NaN,
          ...(carburettor !== undefined && { carburettor }),
        });
        if (!parsed.success) {
          const message = `${PART_NAMES[part]} must be ${RULES[part]}; this is “${texts[part]}”.`;
          sayIssue(ctx, message, [part]);
          return [];
        }
        return parsed.data.to === fitted[part] ? [] : [parsed.data];
      });
      if (ctx.issues.length > 0) return z.NEVER;
      try {
        checkSettingOn(
          build,
          changes.reduce((now, { part, to }) => ({ ...now, [part]: to }), fitted),
        );
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        const part = PARTS.find((name) => error.message.startsWith(name)) ?? "clip";
        sayIssue(ctx, `This machine cannot have that: ${error.message}.`, [part]);
        return z.NEVER;
      }
      return changes;
    }),
  );
}

/** Idle stops and the accelerator pump: what was set, as typed. */
import * as z from "zod/mini";
import type { AdjustEntry } from "#core/log/schema.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

const RULES = {
  idleSpeed: { from: 300, to: 8000, words: "Idle speed, 300 to 8000 rpm." },
  spareIdleSpeed: { from: 200, to: 8000, words: "Idle speed, 200 to 8000 rpm." },
  pump: { from: 0, to: 20, words: "Turns out, 0 to 20." },
} as const;
export type Adjusted = keyof typeof RULES;

/** @param idleRpm - of the first stop: the spare one stands lower, or it is no spare */
export const adjustForm = (idleRpm: number) =>
  z.pipe(
    z.object({ what: z.enum(["idleSpeed", "spareIdleSpeed", "pump"]), figure: z.string() }),
    z.transform(({ what, figure }, ctx): AdjustEntry["set"] => {
      const typed = readTypedNumber(figure);
      const { from, to, words } = RULES[what];
      const value = typed.ok && typed.value >= from && typed.value <= to ? typed.value : undefined;
      if (value === undefined) sayIssue(ctx, words, ["figure"]);
      else if (what === "spareIdleSpeed" && value >= idleRpm)
        sayIssue(ctx, `The spare stop must be below the idle of ${Math.round(idleRpm)} rpm.`, ["figure"]);
      return what === "pump" ? { what, turns: value ?? from } : { what, rpm: value ?? from };
    }),
  );

/** Idle stops and the accelerator pump: what was set, as typed. */
import * as z from "zod/mini";
import type { AdjustEntry } from "#core/log/schema.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";

export const AdjustSent = z.object({
  what: z.enum(["idleSpeed", "spareIdleSpeed", "pump"]),
  figure: z.string().check(z.maxLength(40)),
});
export type AdjustSent = z.infer<typeof AdjustSent>;

type Set = AdjustEntry["set"];
export type AdjustRead = { ok: true; set: Set } | { ok: false; message: string };

const RULES = {
  idleSpeed: { from: 300, to: 8000, words: "Idle speed, 300 to 8000 rpm." },
  spareIdleSpeed: { from: 200, to: 8000, words: "Idle speed, 200 to 8000 rpm." },
  pump: { from: 0, to: 20, words: "Turns out, 0 to 20." },
} as const;

/** @param idleRpm - of the first stop: the spare one stands lower, or it is no spare */
export function readAdjust({ what, figure }: AdjustSent, idleRpm: number | undefined): AdjustRead {
  const typed = readTypedNumber(figure);
  const { from, to, words } = RULES[what];
  if (!typed.ok || !(typed.value >= from && typed.value <= to)) return { ok: false, message: words };
  if (what === "pump") return { ok: true, set: { what, turns: typed.value } };
  if (what === "spareIdleSpeed" && idleRpm !== undefined && typed.value >= idleRpm)
    return { ok: false, message: `The spare stands below the idle of ${Math.round(idleRpm)} rpm.` };
  return { ok: true, set: { what, rpm: typed.value } };
}

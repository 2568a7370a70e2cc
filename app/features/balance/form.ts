/** Gauges as typed or as they came, and the balance that is made of them. */
import * as z from "zod/mini";
import type { Linkage } from "#core/balance/linkage.ts";
import type { Build } from "#core/log/schema.ts";
import { syncOf } from "#core/rig/carburettors.ts";
import { fromSI, toSI, type UnitOf } from "#core/units/quantity.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";

type VacuumUnit = UnitOf<"vacuum">;

export const ALLOWED_PA = { min: 100, max: 20_000 };
const Allowed = z.number().check(z.gte(ALLOWED_PA.min), z.lte(ALLOWED_PA.max));
const Gauges = z.array(z.number().check(z.gte(0), z.lte(101_000))).check(z.minLength(2), z.maxLength(6));

/** The balance half done: it outlasts a reload. */
export const BalanceDraft = z.object({
  linkage: z.enum(["shaft", "cables"]),
  speed: z.enum(["idle", "cruise"]),
  allowedPa: Allowed,
  /** how it was before anything was turned, at each speed */
  before: z.partialRecord(z.enum(["idle", "cruise"]), Gauges),
  simulated: z.boolean(),
});
export type BalanceDraft = z.infer<typeof BalanceDraft>;

export const freshBalance = (build: Build): BalanceDraft => {
  const { linkage, vacuumSpreadPa } = syncOf(build);
  return { linkage, speed: "idle", allowedPa: vacuumSpreadPa, before: {}, simulated: false };
};

export const BalanceSent = z.object({
  linkage: z.enum(["shaft", "cables"]),
  allowedPa: Allowed,
  speed: z.enum(["idle", "cruise"]),
  beforePa: Gauges,
  afterPa: Gauges,
  simulated: z.boolean(),
});
export type BalanceSent = z.infer<typeof BalanceSent>;

/** @returns the build with what was said of its linkage, or nothing when it says so already */
export function withLinkage(build: Build, linkage: Linkage, vacuumSpreadPa: number): Build | undefined {
  const sync = syncOf(build);
  if (sync.linkage === linkage && sync.vacuumSpreadPa === vacuumSpreadPa) return undefined;
  return { ...build, sync: { ...sync, linkage, vacuumSpreadPa } };
}

export type GaugesRead =
  | { ok: true; gaugesPa: readonly number[] }
  /** by gauge, counted from 0; empty ones are simply missing */
  | { ok: false; problems: Readonly<Record<number, string>> };

/** @returns the gauges in pascals, or what is wrong with which */
export function readGauges(texts: readonly string[], unit: VacuumUnit): GaugesRead {
  const problems: Record<number, string> = {};
  const gaugesPa = texts.map((text, i) => {
    const typed = readTypedNumber(text);
    const value = typed.ok ? toSI("vacuum", typed.value, unit) : NaN;
    if (text.trim() !== "" && !(value >= 0 && value <= 101_000))
      problems[i] = `0 to ${Math.round(fromSI("vacuum", 101_000, unit))} ${unit}.`;
    return value;
  });
  const complete = gaugesPa.every((value) => Number.isFinite(value)) && Object.keys(problems).length === 0;
  return complete ? { ok: true, gaugesPa } : { ok: false, problems };
}

/** @returns the allowed spread in pascals, or nothing where it cannot be one */
export function readAllowed(text: string, unit: VacuumUnit): number | undefined {
  const typed = readTypedNumber(text);
  return typed.ok ? Allowed.safeParse(toSI("vacuum", typed.value, unit)).data : undefined;
}

/** Bringing carburettors into step, in words. */
import type { BalanceState, BalanceStep, Linkage, Speed } from "#core/balance/linkage.ts";
import { type UnitOf } from "#core/units/quantity.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

export const LINKAGES = [
  { value: "shaft", text: "One shaft", note: "screws between them" },
  { value: "cables", text: "A cable each", note: "stops, then slack" },
] as const satisfies readonly { value: Linkage; text: string; note: string }[];

export const SPEEDS = [
  { value: "idle", text: "At idle" },
  { value: "cruise", text: "Just off idle", note: "cruising speed" },
] as const satisfies readonly { value: Speed; text: string; note?: string }[];

export const BALANCE_CAUTIONS = [
  "In the open: exhaust holds carbon monoxide. Put a fan in front of an air-cooled engine: without moving air it gets hot.",
  "Set a vacuum fuel tap to prime while its hose is off, and back afterwards.",
  "Hot pipes, moving belts and chains; hose ends and gauges clear of them. Every plug and hose back on before it is ridden.",
] as const;

const side = (members: readonly number[]): string => members.join(" and ");

/** @returns which two are compared: `1 with 2`, `1 and 2 with 3 and 4` */
export const stepName = ({ sides: [a, b] }: BalanceStep): string => `${side(a)} with ${side(b)}`;

/** @returns what to turn and which way; + pulls harder, so it must open */
export function turnWords({ turn }: BalanceStep, differencePa: number): string {
  const open = differencePa > 0;
  switch (turn.kind) {
    case "shaftScrew": {
      const [a, b] = turn.between;
      return `The screw between ${a} and ${b}: ${open ? "open" : "close"} the side of ${b} a little. It moves everything beyond it.`;
    }
    case "stopScrew":
      return `The idle stop of ${turn.of}: ${open ? "in, it opens" : "out, it closes"} a little.`;
    case "cable":
      return `The cable of ${turn.of}: ${open ? "less" : "more"} slack.`;
  }
}

export interface BalanceWords {
  readonly title: string;
  readonly reason: string;
}

/** @param steps - of the speed that is being balanced */
export function balanceWords(
  { spreadPa, differencesPa, next, inStep }: BalanceState,
  steps: readonly BalanceStep[],
  allowedPa: number,
  unit: UnitOf<"vacuum">,
): BalanceWords {
  const show = (pa: number) => formatQuantity("vacuum", pa, unit);
  const against = `Spread ${show(spreadPa)}, allowed ${show(allowedPa)}.`;
  const step = next === undefined ? undefined : steps[next];
  const difference = next === undefined ? 0 : (differencesPa[next] ?? 0);
  if (inStep || !step)
    return {
      title: "In step",
      reason: `${against} Blip once and look again: it must come back to the same.`,
    };
  const [, second] = step.sides;
  return {
    title: `${stepName(step)}: ${show(Math.abs(difference))} apart`,
    reason: `${side(second)} ${second.length > 1 ? "pull" : "pulls"} ${difference > 0 ? "harder" : "less"}. ${turnWords(step, difference)} ${against}`,
  };
}

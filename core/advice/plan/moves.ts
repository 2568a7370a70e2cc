/**
 * The moves of a stop, by what a spanner takes in hand: the idle circuit (its screw, or another pilot jet with its
 * screw), the needle (clip and washers), the main jet. Each is made for its own zone.
 */
import { PARTS, type Part } from "../../log/parts.ts";
import type { Build, Setting } from "../../log/schema.ts";
import type { Choices } from "./choices.ts";
import type { ReachedZone, SettingJudge } from "../judge/judge-setting.ts";

export const RULES: Readonly<Record<Part, ReachedZone>> = {
  pilot: "idle",
  screwTurns: "idle",
  clip: "mid",
  shimMm: "mid",
  main: "top",
};

/** A part that changes must earn its work. Unit: loss, see loss.ts. */
const WORK: Readonly<Record<Part, number>> = {
  screwTurns: 0.004,
  clip: 0.02,
  shimMm: 0.03,
  main: 0.02,
  pilot: 0.05,
};

/** A change worth less than this in its own zone is none. */
export const LEAST_EFFECT = 0.015;
/** Where a quarter turn is worth more than this at idle, the screw is set by eighths. */
const COARSE_QUARTER = 0.04;

export type PartsOfZone = Partial<Setting>;

export function workOf(from: Setting, to: Setting): number {
  return PARTS.reduce((sum, part) => sum + (from[part] === to[part] ? 0 : WORK[part]), 0);
}

/** @returns how finely the screw of this rig is set, turns */
export function screwStep({ lines }: SettingJudge, fitted: Setting): 0.125 | 0.25 {
  const at = (screwTurns: number) => lines({ ...fitted, screwTurns }).idle.shift;
  const out = fitted.screwTurns + 0.25 <= 10 ? 0.25 : -0.25;
  return Math.abs(at(fitted.screwTurns + out) - at(fitted.screwTurns)) > COARSE_QUARTER ? 0.125 : 0.25;
}

/** @returns everything that could be fitted for a zone, what is fitted left out */
export function movesFor(
  zone: ReachedZone,
  options: Choices,
  build: Build,
  fitted: Setting,
): readonly PartsOfZone[] {
  if (zone === "top") return options.main.filter((main) => main !== fitted.main).map((main) => ({ main }));
  if (zone === "mid")
    return options.clip.flatMap((clip) =>
      options.shimMm
        .filter((shimMm) => clip !== fitted.clip || shimMm !== fitted.shimMm)
        .map((shimMm) => ({ clip, shimMm })),
    );
  const screws = options.screwTurns.filter((screwTurns) => screwTurns !== fitted.screwTurns);
  // Another jet goes with its screw in one line: where the book has it, or where the rest of what is known wants it.
  const base = build.baseline.setting.screwTurns;
  const withJet = [...new Set([...(options.screwTurns.length > 1 ? [base] : []), ...options.screwTurns])];
  const pilots = options.pilot.filter((pilot) => pilot !== fitted.pilot);
  return [
    ...screws.map((screwTurns) => ({ screwTurns })),
    ...pilots.flatMap((pilot) => withJet.map((screwTurns) => ({ pilot, screwTurns }))),
  ];
}

/** What can be fitted here and now: the jets in the box, the grooves of this needle, the screw's window. */
import type { Part } from "../../log/parts.ts";
import type { Build, Setting } from "../../log/schema.ts";
import { SCREW_DOMAIN } from "../../carburettor/carburettor.ts";
import { boxJets } from "../../rig/box.ts";

export type Choices = Readonly<Record<Part, readonly number[]>>;

export interface ScrewWindow {
  readonly from: number;
  readonly to: number;
}

export const QUARTER_TURN = 0.25;

const ordered = (values: readonly number[]): number[] => [...new Set(values)].sort((a, b) => a - b);

/** Outside its window a screw says that the pilot jet is wrong; beyond its thread it falls out. */
export function screwWindow(build: Build): ScrewWindow {
  const { screwWindow: window, baseline } = build;
  if (window.kind === "fixed") return { from: window.from, to: window.to };
  const base = baseline.setting.screwTurns;
  return {
    from: Math.max(SCREW_DOMAIN.min, base - window.turns),
    to: Math.min(SCREW_DOMAIN.max, base + window.turns),
  };
}

function screwSteps({ from, to }: ScrewWindow, step: number): number[] {
  const steps = Math.floor((to - from) / step + 1e-9);
  return Array.from({ length: steps + 1 }, (_, i) => Math.round((from + i * step) * 1000) / 1000);
}

/** Parts that the class's rule book forbids to change; where washers are forbidden, those too. */
export const lockedParts = ({ rules }: Build): readonly Part[] =>
  rules ? [...rules.locked, ...(rules.noWashers ? ["shimMm" as const] : [])] : [];

/** @returns every value each part could have, the fitted one included even if it is not in the box */
function choicesWithoutRules(build: Build, fitted: Setting, screwStep: number): Choices {
  const { box, carburettor } = build;
  const jets = (part: "pilot" | "main") => boxJets(build, part).map(({ number }) => number);
  return {
    pilot: ordered([...jets("pilot"), fitted.pilot]),
    screwTurns: ordered([...screwSteps(screwWindow(build), screwStep), fitted.screwTurns]),
    clip: Array.from({ length: carburettor.needle.grooves }, (_, i) => i + 1),
    main: ordered([...jets("main"), fitted.main]),
    shimMm: ordered([0, ...box.shimsMm, fitted.shimMm]),
  };
}

/**
 * @param locked - parts that must stay as they are fitted; the class's rules unless told otherwise. A washer that
 *   the rules forbid may come out, never go in
 * @param screwStep - how finely the screw is set, turns
 * @returns what may be fitted here and now
 */
export function choices(
  build: Build,
  fitted: Setting,
  locked: readonly Part[] = lockedParts(build),
  screwStep: number = QUARTER_TURN,
): Choices {
  const open = choicesWithoutRules(build, fitted, screwStep);
  const values = (part: Part) => (locked.includes(part) ? [fitted[part]] : open[part]);
  const noWashers = locked.includes("shimMm") && build.rules?.noWashers === true;
  return {
    pilot: values("pilot"),
    screwTurns: values("screwTurns"),
    clip: values("clip"),
    main: values("main"),
    shimMm:
      noWashers && !build.rules?.locked.includes("shimMm") ? ordered([0, fitted.shimMm]) : values("shimMm"),
  };
}

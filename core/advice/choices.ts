/** What can be fitted here and now: the jets in the box, the grooves of this needle, the screw's window. */
import { PARTS, type Part } from "../log/parts.ts";
import type { Build, Setting } from "../log/schema.ts";
import { boxJets } from "../rig/box.ts";

export type Choices = Readonly<Record<Part, readonly number[]>>;

export interface ScrewWindow {
  readonly from: number;
  readonly to: number;
}

const SCREW_STEP = 0.25;

const ordered = (values: readonly number[]): number[] => [...new Set(values)].sort((a, b) => a - b);

/** Outside its window a screw says that the pilot jet is wrong. */
export function screwWindow(build: Build): ScrewWindow {
  const { screwWindow: window, baseline } = build;
  if (window.kind === "fixed") return { from: window.from, to: window.to };
  const base = baseline.setting.screwTurns;
  return { from: Math.max(0, base - window.turns), to: base + window.turns };
}

function screwSteps({ from, to }: ScrewWindow): number[] {
  const steps = Math.floor((to - from) / SCREW_STEP + 1e-9);
  return Array.from({ length: steps + 1 }, (_, i) => Math.round((from + i * SCREW_STEP) * 1000) / 1000);
}

/** Parts that the class's rule book forbids to change; where washers are forbidden, those too. */
export const lockedParts = ({ rules }: Build): readonly Part[] =>
  rules ? [...rules.locked, ...(rules.noWashers ? ["shimMm" as const] : [])] : [];

/** @returns every value each part could have, the fitted one included even if it is not in the box */
function choicesWithoutRules(build: Build, fitted: Setting): Choices {
  const { box, carburettor } = build;
  const jets = (part: "pilot" | "main") => boxJets(build, part).map(({ number }) => number);
  return {
    pilot: ordered([...jets("pilot"), fitted.pilot]),
    screwTurns: ordered([...screwSteps(screwWindow(build)), fitted.screwTurns]),
    clip: Array.from({ length: carburettor.needle.grooves }, (_, i) => i + 1),
    main: ordered([...jets("main"), fitted.main]),
    shimMm: ordered([0, ...box.shimsMm, fitted.shimMm]),
  };
}

/**
 * @param locked - parts that must stay as they are fitted; the class's rules unless told otherwise
 * @returns what may be fitted here and now
 */
export function choices(
  build: Build,
  fitted: Setting,
  locked: readonly Part[] = lockedParts(build),
): Choices {
  const open = choicesWithoutRules(build, fitted);
  const values = (part: Part) => (locked.includes(part) ? [fitted[part]] : open[part]);
  return {
    pilot: values("pilot"),
    screwTurns: values("screwTurns"),
    clip: values("clip"),
    main: values("main"),
    shimMm: values("shimMm"),
  };
}

/** @returns every setting that differs from this one in exactly one part */
export function oneChangeAway(options: Choices, setting: Setting): { part: Part; setting: Setting }[] {
  return PARTS.flatMap((part) =>
    options[part]
      .filter((to) => to !== setting[part])
      .map((to) => ({ part, setting: { ...setting, [part]: to } })),
  );
}

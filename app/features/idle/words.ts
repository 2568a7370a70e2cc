/** The idle bench in words: what is missing, the verdict. */
import type { NoCrest } from "#core/idle/best-idle.ts";
import type { Symptom } from "#core/log/symptom-names.ts";
import type { IdleVerdict } from "#core/idle/verdict.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import type { PlanChange } from "#core/advice/plan/plan.ts";
import { PHASES, type Phase } from "./form.ts";
import { certainty } from "#app/vocabulary/parts.ts";
import { formatTurns } from "#app/vocabulary/numerals.ts";

const MISSING: Readonly<Record<NoCrest["reason"], string>> = {
  fewPoints: "Five readings at least.",
  narrow: "Walk a whole turn at least: quarter turns both ways.",
  noFallIn: "It has not fallen off yet further in.",
  noFallOut: "It has not fallen off yet further out.",
  flat: "The idle does not answer the screw. If it hangs whatever you do, look for an air leak before any jet.",
};

/** @returns what is missing, and which point to take next */
export function missingWords({ reason, nextTurns }: NoCrest): string {
  const next = nextTurns === undefined ? "" : ` Next: ${formatTurns(nextTurns)} turns out.`;
  const seated = reason === "noFallIn" && nextTurns === undefined ? " The screw is seated: it cannot." : "";
  return `${MISSING[reason]}${seated}${next}`;
}

interface VerdictWords {
  readonly title: string;
  readonly reason: string;
}

/**
 * What the bench says is what the card will say: both speak from one belief with this reading in it.
 * @param said - the card with the reading in it; nothing while it is worked out
 * @param window - of the school, turns out
 */
export function benchWords(
  verdict: IdleVerdict,
  said: { readonly advice: Advice; readonly changes: readonly PlanChange[] } | undefined,
  window: { from: number; to: number },
): VerdictWords {
  if (verdict.kind === "more") return { title: "No crest yet", reason: missingWords(verdict.fit.missing) };
  if (!said)
    return {
      title: "Working it out…",
      reason: "These readings count together with everything known so far.",
    };
  const range = `${formatTurns(window.from)} to ${formatTurns(window.to)} turns`;
  const idle = said.advice.card.rows.find(({ part }) => part === "screwTurns");
  const right = idle ? `Then the idle is right: ${certainty(idle.chance)}. ` : "";
  const again =
    "Set the idle speed back and blip it: clean, no hanging, no dip. Then walk it once more, because mixture and speed change each other.";
  const pilot = said.changes.find(({ part }) => part === "pilot");
  const screw = said.changes.find(({ part }) => part === "screwTurns");
  const edge =
    verdict.kind === "repeat"
      ? ` Best idle stands at the edge of the window of ${range}: walk it again to be sure.`
      : "";
  if (pilot)
    return {
      title: `Pilot jet to ${pilot.to}`,
      reason: `The screw alone cannot do it within its window of ${range}. Screw to its base of ${formatTurns(screw?.to ?? said.advice.fitted.screwTurns)}, then walk it again.`,
    };
  if (screw) return { title: `Screw to ${formatTurns(screw.to)}`, reason: `${right}${again}${edge}` };
  if (verdict.kind === "jet" && verdict.to === undefined)
    return {
      title: `The pilot jet is too ${verdict.towards === "richer" ? "lean" : "rich"}, and the box lacks another`,
      reason: `Best idle lies outside the window of ${range}. ${right}`,
    };
  return {
    title: "Leave the screw as it is",
    reason: `${right}The screw is where it idles best, as closely as these readings show.${edge}`,
  };
}

/** Until it is logged, card and bench differ: the card says what it still has. */
export function stillWords({ card }: Advice): string {
  const value = (part: "pilot" | "screwTurns") => card.rows.find((row) => row.part === part)?.to ?? NaN;
  return `Until this is logged the card still has pilot ${value("pilot")}, screw ${formatTurns(value("screwTurns"))}.`;
}

const PHASE_NAMES: Readonly<Record<Phase, string>> = {
  warm: "Warm",
  base: "Base",
  walk: "Walk",
  set: "Set",
  blip: "Blip",
};
export const phaseName = (phase: Phase): string => `${PHASES.indexOf(phase) + 1} ${PHASE_NAMES[phase]}`;

/** After a blip: what the idle circuit shows, and what it means. */
export const BLIP_SYMPTOMS = [
  "hangsHigh",
  "dropsLow",
  "bogs",
  "stutters",
] as const satisfies readonly Symptom[];

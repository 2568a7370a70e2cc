/** The idle bench in words: schools, what is missing, the verdict. */
import type { NoCrest } from "#core/idle/best-idle.ts";
import type { ScrewSchool } from "#core/idle/schools.ts";
import type { Symptom } from "#core/log/symptom-names.ts";
import type { IdleVerdict } from "#core/idle/verdict.ts";
import { formatTurns } from "#core/units/workshop.ts";
import { eighth, PHASES, type Phase } from "#app/forms/idle-form.ts";
import { percentWords } from "./parts.ts";

export const SCHOOL_WORDS: Readonly<Record<ScrewSchool, { readonly name: string; readonly how: string }>> = {
  middle: {
    name: "Middle of the fall-off",
    how: "Halfway between where it drops lean and where it drops rich: the default, because it does not hang on one reading.",
  },
  highest: { name: "Highest idle", how: "Where it idles fastest." },
  touchRich: {
    name: "Highest, a touch rich",
    how: "Where it idles fastest, then an eighth of a turn richer.",
  },
  byFeel: {
    name: "By feel after a blip",
    how: "From the middle, to where it returns cleanest after a blip.",
  },
};

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

/** @param window - of the school, turns out */
export function verdictWords(verdict: IdleVerdict, window: { from: number; to: number }): VerdictWords {
  const range = `${formatTurns(window.from)} to ${formatTurns(window.to)} turns`;
  switch (verdict.kind) {
    case "more":
      return { title: "No crest yet", reason: missingWords(verdict.fit.missing) };
    case "leave":
      return {
        title: `Leave the pilot jet: screw to ${formatTurns(eighth(verdict.setTo))}`,
        reason: `Best idle lies within the window of ${range} (${percentWords(verdict.chance)}). Set it, bring the idle speed back, blip: clean, no hanging, no dip. Then once more, because mixture and speed move each other.`,
      };
    case "repeat":
      return {
        title: "Walk it again",
        reason: `Best idle stands at the edge of the window of ${range}: these readings cannot tell (${percentWords(verdict.chance)} inside). The same places once more.`,
      };
    case "jet": {
      const size = verdict.to === undefined ? "the next size, which the box lacks" : String(verdict.to);
      return {
        title: `Pilot jet one size ${verdict.towards}: ${size}`,
        reason: `Best idle lies outside the window of ${range} (${percentWords(verdict.chance)}): the screw alone cannot do it. Screw back to its base of ${formatTurns(verdict.base)}, then walk it again.`,
      };
    }
  }
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

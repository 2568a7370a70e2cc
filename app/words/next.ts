/** The next step in words: a headline, the reason, and what to do after. */
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import type { OpenChange } from "#core/log/fold.ts";
import type { Part } from "#core/log/parts.ts";
import type { Advice, ZoneAdvice } from "#core/advice/advise.ts";
import type { ChangeStep, NextStep } from "#core/advice/next-step.ts";
import {
  capital,
  certainty,
  DOUBT_SDS,
  mixtureWords,
  partInSentence,
  partValue,
  percentWords,
  shiftWords,
  ZONE_NAMES,
} from "./parts.ts";

export interface NextWords {
  readonly title: string;
  readonly reason: string;
}

const LOOK_TITLES: Readonly<Record<Zone, string>> = {
  idle: "at idle",
  low: "just off idle",
  mid: "in the middle",
  top: "at the top",
};

const zoneLower = (zone: Zone): string => ZONE_NAMES[zone].toLowerCase();

function zoneOf(advice: Advice, zone: Zone): ZoneAdvice {
  const found = advice.zones.find((candidate) => candidate.zone === zone);
  if (!found) throw new RangeError(`advice must cover every zone, got none for ${zone}`);
  return found;
}

const looksWords = (n: number): string => (n === 0 ? "No look yet" : n === 1 ? "One look" : `${n} looks`);

function changeWords(advice: Advice, next: ChangeStep): NextWords {
  const zone = zoneOf(advice, next.zone);
  const from = partValue(next.part, next.from);
  const to = partValue(next.part, next.to);
  const after = zone.mean + next.effect[next.zone];
  const elsewhere = ZONES.filter((other) => other !== next.zone && Math.abs(next.effect[other]) >= 0.01);
  const rest =
    elsewhere.length === 0
      ? "leaves the rest alone"
      : `makes ${elsewhere.map((other) => `${zoneLower(other)} ${shiftWords(next.effect[other])}`).join(", ")}`;
  const seen = `${looksWords(zone.looks)} in the ${zoneLower(next.zone)}: it is ${mixtureWords(zone.mean)}.`;
  const does = `${to} brings it to ${mixtureWords(after)} and ${rest}. Better than now: ${certainty(next.chanceBetter)}. Then look ${LOOK_TITLES[next.zone]}.`;
  const title = `${next.urgent ? "First: " : "One change: "}${partInSentence(next.part)} ${from} to ${to}`;
  const danger = `Too likely past the lean limit at full throttle (${percentWords(zoneOf(advice, "top").pPastLimit)}). `;
  return { title, reason: `${next.urgent ? danger : ""}${seen} ${does}` };
}

function cardWords(advice: Advice, parts: readonly Part[], urgent: boolean): NextWords {
  const { setting } = advice.card;
  const list = parts.map((part) => `${partInSentence(part)} ${partValue(part, setting[part])}`).join(", ");
  const dense = `${(100 * advice.air.relativeDryDensity).toFixed(1)} %`;
  const lean = percentWords(zoneOf(advice, "top").pPastLimit);
  return {
    title: `Today’s card: ${list}`,
    reason: urgent
      ? `As it stands the top may be past the lean limit (${lean}). Start from the rich side: fit the card, then look.`
      : `This air burns like ${dense} of the baseline’s. The card brings every zone it can reach back to right.`,
  };
}

function lookWords(
  advice: Advice,
  next: Extract<NextStep, { kind: "look" }>,
  open: OpenChange | undefined,
): NextWords {
  const zone = zoneOf(advice, next.zone);
  const how = next.how === "plug" ? "a plug" : "a λ figure";
  const where = LOOK_TITLES[next.zone];
  const takes = `about ${next.minutes} minutes`;
  if (next.because === "openChange" && open) {
    const changed = open.parts.map(
      (part) =>
        `${partInSentence(part)} ${partValue(part, open.before[part])} to ${partValue(part, open.after[part])}`,
    );
    return {
      title: `Now look: ${how} ${where}`,
      reason: `${capital(changed.join(", "))} was fitted and nobody has looked since. One change, one look: ${takes}.`,
    };
  }
  const doubt = (100 * DOUBT_SDS * zone.sd).toFixed(0);
  return {
    title: `Look next: ${how} ${where}`,
    reason: `${ZONE_NAMES[next.zone]} seems ${mixtureWords(zone.mean)}, but only within ± ${doubt} %: right is ${certainty(zone.pRight)}. A look there now says more than a spanner; ${takes}.`,
  };
}

/** @returns headline and reason of what to do next */
export function nextWords(advice: Advice, open: OpenChange | undefined): NextWords {
  const { next } = advice;
  switch (next.kind) {
    case "change":
      return changeWords(advice, next);
    case "card":
      return cardWords(advice, next.parts, next.urgent);
    case "look":
      return lookWords(advice, next, open);
    case "leave":
      return next.because === "right"
        ? {
            title: "Leave it",
            reason:
              "Every zone is right, each with at least 80 % chance. Read the air again before the next heat.",
          }
        : {
            title: "Leave it",
            reason: "No single change in the box would help by more than one reading can show.",
          };
    case "stop":
      if (next.because === "specks")
        return {
          title: "Stop: specks of metal on the plug",
          reason:
            "Detonation takes metal off the piston. Do not run it: look into the cylinder, then ignition timing, fuel, heat range, compression, and a mixture that is too lean. A new plug after that clears this stop.",
        };
      return {
        title: "Stop: nothing in the box is rich enough",
        reason: `At full throttle it is past the lean limit with ${percentWords(next.leanRisk)} chance. Do not run it flat out; fit a richer main jet first.`,
      };
  }
}

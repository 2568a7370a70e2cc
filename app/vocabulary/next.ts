/** The next step in words: a headline, the reason, and each line of a plan. */
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import { benchPartWords } from "./bench-parts.ts";
import { checkFirstReason, checkFirstTitle } from "./faults.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import type { NextStep } from "#core/advice/card/next-step.ts";
import type { PlanChange, PlanLine } from "#core/advice/plan/plan.ts";
import type { ZoneAdvice } from "#core/advice/judge/zone-advice.ts";
import type { Setting } from "#core/log/schema.ts";
import type { LookHow } from "#core/looks/look-kind.ts";
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

const WHERE: Readonly<Record<Zone, string>> = {
  idle: "at idle",
  low: "just off idle",
  mid: "in the middle",
  top: "at the top",
};

export const LOOK_HOW_WORDS: Readonly<Record<LookHow, string>> = {
  plug: "a plug",
  idleBench: "the idle bench",
  lambda: "a λ figure",
  temperature: "a temperature",
  timedPair: "timed runs of two settings",
  rideReport: "a ride, told zone by zone",
  crown: "the piston’s crown",
  header: "the header’s colour",
  symptom: "what it does",
};

/** How a line of the plan is read afterwards. */
const READ_BY: Readonly<Record<PlanLine["zone"], string>> = {
  idle: "the idle tells",
  mid: "a plug or a ride in the middle tells",
  top: "a full-throttle look tells",
};

function zoneOf(advice: Advice, zone: Zone): ZoneAdvice {
  const found = advice.zones.find((candidate) => candidate.zone === zone);
  if (!found) throw new RangeError(`advice must cover every zone, got none for ${zone}`);
  return found;
}

export const changeTitle = ({ part, from, to }: PlanChange): string =>
  `${partInSentence(part)} ${partValue(part, from)} → ${partValue(part, to)}`;

/** One line of the plan: what it does for its zone, what elsewhere, how it will be read. */
export function planLineWords(line: PlanLine, advice: Advice): NextWords {
  const { zone, effect, changes } = line;
  const after = zoneOf(advice, zone).mean + effect[zone];
  const elsewhere = ZONES.filter((other) => other !== zone && Math.abs(effect[other]) >= 0.015);
  const rest =
    elsewhere.length === 0
      ? "elsewhere next to nothing"
      : elsewhere
          .map((other) => `${ZONE_NAMES[other].toLowerCase()} ${shiftWords(effect[other])}`)
          .join(", ");
  return {
    title: capital(changes.map(changeTitle).join(", ")),
    reason: `For the ${ZONE_NAMES[zone].toLowerCase()}: ${mixtureWords(zoneOf(advice, zone).mean)} now, ${mixtureWords(after)} then; ${rest}. Afterwards ${READ_BY[zone]}.`,
  };
}

function fitWords(advice: Advice, next: Extract<NextStep, { kind: "fit" }>): NextWords {
  const all = next.lines.flatMap((line) => line.changes);
  const list = all.map(({ part, to }) => `${partInSentence(part)} ${partValue(part, to)}`).join(", ");
  const dense = `${(100 * advice.air.relativeDryDensity).toFixed(1)} %`;
  if (next.because === "danger")
    return {
      title: `First: ${list}`,
      reason: `As it stands the top may be past the lean limit (${percentWords(next.leanRisk)}). Start from the rich side: fit this, then look.`,
    };
  const apart =
    next.lines.length > 1 ? "Each line has a zone of its own, so one look each tells them apart. " : "";
  return {
    title: `The plan for this stop: ${list}`,
    reason: `This air burns like ${dense} of the baseline’s. ${apart}Better than now: ${certainty(next.chanceBetter)}.`,
  };
}

const settingsWords = (advice: Advice, settings: readonly [Setting, Setting]): string =>
  settings.map(({ main }) => `main ${main}`).join(" against ") || `main ${advice.fitted.main}`;

function lookWords(advice: Advice, next: Extract<NextStep, { kind: "look" }>): NextWords {
  const { how, zone, cylinder, settings, minutes, allRight } = next;
  const takes = `about ${minutes} minutes`;
  const which = cylinder === undefined ? "" : `, cylinder ${cylinder}`;
  if (settings)
    return {
      title: `Look next: ${settingsWords(advice, settings)}, by the clock`,
      reason: `What is left open is the reader, not the engine: runs of two settings tell without any; ${takes}.`,
    };
  if (zone === undefined)
    return {
      title: "Look next: ride it, and say how it pulled",
      reason: `Rich, clean or lean, zone by zone, is worth more now than any one reading; ${takes}.`,
    };
  const { mean, sd, pRight } = zoneOf(advice, zone);
  const doubt = (100 * DOUBT_SDS * sd).toFixed(0);
  const where = how === "idleBench" ? "" : ` ${WHERE[zone]}`;
  return {
    title: `Look next: ${LOOK_HOW_WORDS[how]}${where}${which}`,
    reason: `${ZONE_NAMES[zone]} seems ${mixtureWords(mean)}, within ± ${doubt} %: ${certainty(pRight)}. Idle, middle and top right together: ${certainty(allRight)}. A look there tells most a minute; ${takes}.`,
  };
}

function partWords({
  part,
  zone,
  effect,
  minutes,
  chanceBetter,
}: Extract<NextStep, { kind: "part" }>): NextWords {
  return {
    title: `Another part: ${benchPartWords(part)}`,
    reason: `No jet, groove or screw reaches it: ${ZONE_NAMES[zone].toLowerCase()} becomes ${shiftWords(effect[zone])} with it. Better than now, the rest set again: ${certainty(chanceBetter)}; about ${minutes} minutes.`,
  };
}

/** @returns headline and reason of what to do next */
export function nextWords(advice: Advice): NextWords {
  const { next } = advice;
  switch (next.kind) {
    case "fit":
      return fitWords(advice, next);
    case "putBack":
      return {
        title: `Put back: ${next.changes.map(changeTitle).join(", ")}`,
        reason: "It was said to be worse with it. Back first, then look.",
      };
    case "part":
      return partWords(next);
    case "look":
      return lookWords(advice, next);
    case "check":
      return { title: checkFirstTitle(next), reason: checkFirstReason(next) };
    case "leave":
      return next.because === "right"
        ? {
            title: "Leave it",
            reason: `Idle, middle and top are right together: ${certainty(next.chance)}. Read the air again before the next heat.`,
          }
        : {
            title: "Leave it",
            reason: `Nothing in the box would help by more than it costs, and no look is worth its minutes. All right together: ${certainty(next.chance)}.`,
          };
    case "stop":
      if (next.because === "specks")
        return {
          title: "Stop: specks of metal on the plug",
          reason:
            "Detonation takes metal off the piston. Do not run it: look into the cylinder, then ignition timing, fuel, heat range, compression, and a mixture that is too lean. A new plug of that cylinder after that clears this stop.",
        };
      if (next.because === "plugsContradict")
        return {
          title: "Stop: your plugs contradict each other",
          reason:
            "One says that full throttle is lean, one says that it is rich. Do not ride flat out before you know which. Look at both again in the shade, and cross out the wrong one in the log.",
        };
      return {
        title: "Stop: nothing in the box is rich enough",
        reason: `At full throttle it is past the lean limit with ${percentWords(next.leanRisk)} chance. Do not run it flat out; fit a richer main jet first.`,
      };
  }
}

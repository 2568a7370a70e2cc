/** The next step in words: title, reason, and each line of the plan. */
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import { benchPartWords } from "./bench-parts.ts";
import { checkFirstReason, checkFirstTitle, FAULT_WORDS } from "./faults.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import type { NextLook } from "#core/advice/ride/next-look.ts";
import type { NextStep } from "#core/advice/card/next-step.ts";
import type { PlanChange, PlanLine, RideFirst } from "#core/advice/plan/plan.ts";
import type { ZoneAdvice } from "#core/advice/judge/zone-advice.ts";
import type { Setting } from "#core/log/schema.ts";
import type { LookHow } from "#core/looks/look-kind.ts";
import {
  atZone,
  capital,
  certainty,
  DOUBT_SDS,
  mixtureWords,
  partInSentence,
  partValue,
  percentWords,
  shiftWords,
  zoneInSentence,
} from "./parts.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

export interface NextWords {
  readonly title: string;
  readonly reason: string;
}

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

const LIST = new Intl.ListFormat("en", { type: "conjunction" });

/** How a line of the plan is read afterwards. */
const READ_BY: Readonly<Record<PlanLine["zone"], string>> = {
  idle: "Check it on the idle",
  mid: "Check it with a plug or a ride in the middle",
  top: "Check it with a full-throttle plug",
};

/** A zone as the subject of a sentence. */
const ZONE_IS: Readonly<Record<Zone, string>> = {
  idle: "The idle",
  low: "Just off idle it",
  mid: "The middle",
  top: "Full throttle",
};

/** A zone as what something is done to. */
const ZONE_MADE: Readonly<Record<Zone, string>> = {
  idle: "the idle",
  low: "just off idle",
  mid: "the middle",
  top: "full throttle",
};

/** Smaller than this a mixture is called right. */
const SMALLEST = 0.01;

/** @returns what there is to breathe against the air that the setting was right in */
function airAgainstBaseline(relativeDryDensity: number): string {
  const percent = Math.round(100 * (relativeDryDensity - 1));
  if (percent === 0) return "The air is as on the day your setting was right.";
  return `There is ${Math.abs(percent)} % ${percent < 0 ? "less" : "more"} air here than where your setting was right.`;
}

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
      ? "It changes little else."
      : `It also makes ${LIST.format(elsewhere.map((other) => `${ZONE_MADE[other]} ${shiftWords(effect[other])}`))}.`;
  return {
    title: capital(changes.map(changeTitle).join(", ")),
    reason: `${ZONE_IS[zone]} is ${mixtureWords(zoneOf(advice, zone).mean)}; ${Math.abs(after) < SMALLEST ? "this puts it right" : `after this ${mixtureWords(after)}`}. ${rest} ${READ_BY[zone]}.`,
  };
}

function fitWords(advice: Advice, next: Extract<NextStep, { kind: "fit" }>): NextWords {
  const all = next.lines.flatMap((line) => line.changes);
  const list = all.map(({ part, to }) => `${partInSentence(part)} ${partValue(part, to)}`).join(", ");

  if (next.because === "danger")
    return {
      title: `First: ${list}`,
      reason: `Full throttle may be past the lean limit now (${percentWords(next.leanRisk)}). Start from the rich side: fit this, then read a plug.`,
    };
  const apart =
    next.lines.length > 1
      ? `You can make ${next.lines.length === 2 ? "both" : "all"} changes at once: each shows in a different part of the throttle. `
      : "";
  return {
    title: `The plan for this stop: ${list}`,
    reason: `${airAgainstBaseline(advice.air.relativeDryDensity)} ${apart}Better than now: ${certainty(next.chanceBetter)}.`,
  };
}

const settingsWords = (advice: Advice, settings: readonly [Setting, Setting]): string =>
  settings.map(({ main }) => `main ${main}`).join(" against ") || `main ${advice.fitted.main}`;

/** What to hold so that the plug takes its colour there, and how the run ends. */
const TO_COLOUR_A_PLUG: Readonly<Record<Zone, string>> = {
  idle: "let it idle for some minutes, then read the plug",
  low: "two minutes steady just off idle, clean cut, read the plug",
  mid: "two minutes steady in the middle, clean cut, read the plug",
  top: "flat out, clean cut, read the plug",
};

/** What a plan waits for. */
const WAITS: Readonly<Record<RideFirst, string>> = {
  readsTop: "Leaner parts wait for this reading. ",
  showsChange: "First see what the last change did. Another change would hide it. ",
};

function rideWords(advice: Advice, next: Extract<NextStep, { kind: "ride" }>): NextWords {
  const { how, zone, along = [], cylinder, settings, minutes, allRight, tells = false, rideFirst } = next;
  const takes = `About ${minutes} minutes`;
  const which = cylinder === undefined ? "" : `, cylinder ${cylinder}`;
  if (settings)
    return {
      title: `Next: ${settingsWords(advice, settings)}, by the clock`,
      reason: `What is not known is how you read, not the engine. Timed runs of two settings need no reading. ${takes}.`,
    };
  if (zone === undefined)
    return {
      title: "Next: ride it, and say how it pulled",
      reason: `Say rich, clean or lean for every part of the throttle that you used. ${takes}.`,
    };
  const { mean, sd, pRight } = zoneOf(advice, zone);
  const doubt = fixed(100 * DOUBT_SDS * sd, 0);
  const alongToo = ZONES.filter((one) => one === zone || along.includes(one));
  const where = how === "idleBench" ? "" : ` ${LIST.format(alongToo.map((one) => atZone(one)))}`;
  const ride = how === "plug" ? TO_COLOUR_A_PLUG[zone] : `${LOOK_HOW_WORDS[how]}${where}`;
  // At idle nobody rides: what is told is how it pulled before.
  const pulled = zone === "idle" ? "Say too how it pulled before that" : "Then say how it pulled";
  const then = tells ? `${pulled}, all along the throttle. ` : "";
  const waits = rideFirst ? WAITS[rideFirst] : "";
  return {
    title: `Next: ${ride}${which}`,
    reason: `${waits}${then}${ZONE_IS[zone]} seems ${mixtureWords(mean)}, give or take ${doubt} %. Already right: ${certainty(pRight)}. Idle, middle and full throttle all right: ${certainty(allRight)}. ${takes}.`,
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
    reason: `No jet, groove or screw reaches ${ZONE_MADE[zone]}; this part makes it ${shiftWords(effect[zone])}. Better than now, with the rest set again: ${certainty(chanceBetter)}. About ${minutes} minutes.`,
  };
}

/** What would lift what is not known: a ride of that zone first, then a jet that is not in the box. */
function liftWords({ buy, zones }: Advice, unknown: Zone, oneMore: NextLook | undefined): string {
  const right = zones.find(({ zone }) => zone === unknown)?.pRight ?? 0;
  const first = `Least known: ${zoneInSentence(unknown)}, already right: ${certainty(right)}.`;
  const ride =
    oneMore?.zone === unknown ? ` ${capital(LOOK_HOW_WORDS[oneMore.how])} there would show most.` : "";
  const lifts = unknown === "idle" ? "pilot" : unknown === "mid" ? undefined : "main";
  const jet = buy.find(({ part }) => part === lifts);
  const washer = unknown === "mid" ? " A thin washer under the clip moves the middle by half a groove." : "";
  return `${first}${ride}${jet ? ` ${capital(partInSentence(jet.part))} ${jet.number}, not in the box, would help.` : washer}`;
}

function leaveWords(advice: Advice, next: Extract<NextStep, { kind: "leave" }>): NextWords {
  const { chance, because, oneMore, unknown } = next;
  const more = oneMore ? ` One more ride would make it ${certainty(oneMore.chance)}.` : "";
  if (because === "right")
    return {
      title: "Leave it",
      reason: `${oneMore ? "Good enough for today. " : ""}Idle, middle and full throttle are right together: ${certainty(chance)}.${more} Read the air again before the next heat.`,
    };
  const lift = unknown === undefined ? "" : ` ${liftWords(advice, unknown, oneMore?.look)}`;
  return {
    title: "Leave it",
    reason: `No change from the box is worth its work, and no ride its minutes. All zones right: ${certainty(chance)}.${more}${lift}`,
  };
}

type StopReason = Extract<NextStep, { kind: "stop" }>["because"];

const STOP_WORDS: Readonly<Record<StopReason, { title: string; reason: (leanRisk: string) => string }>> = {
  specks: {
    title: "specks of metal on the plug",
    reason: () =>
      "Detonation takes metal off the piston. Do not run it. Look into the cylinder first. Then check ignition timing, fuel, heat range, compression, and whether the mixture is too lean. A new plug from that cylinder clears this stop.",
  },
  seized: {
    title: "it seized",
    reason: () =>
      "Do not start it. Look at the piston and the cylinder first. Then look for an air leak, missing fuel, wrong ignition timing and wrong oil. The next plug you read clears this stop.",
  },
  pings: {
    title: "it pinged",
    reason: () =>
      "Do not ride it hard. Pull the plug and look for specks of metal. Then check fuel, ignition timing, heat, and whether the mixture is too lean. The plug you log clears this stop.",
  },
  cutsOutHeldOpen: {
    title: "it cut out, held open",
    reason: () =>
      "It may run dry: lean just before it dies. Do not hold it open. Look at the tank’s vent, the tap, the filter and the float; pull the plug. The plug you log, or that check, clears this stop.",
  },
  plugsContradict: {
    title: "your plugs contradict each other",
    reason: () =>
      "One says that full throttle is lean, one says that it is rich. Do not ride flat out before you know which. Look at both again in the shade, and cross out the wrong one in the log.",
  },
  noneRichEnough: {
    title: "nothing in the box is rich enough",
    reason: (leanRisk) =>
      `At full throttle it is past the lean limit with ${leanRisk} chance. Do not run it flat out; fit a richer main jet first.`,
  },
};

/** @returns headline and reason of what to do next */
export function nextWords(advice: Advice): NextWords {
  const { next } = advice;
  switch (next.kind) {
    case "fit":
      return fitWords(advice, next);
    case "putBack":
      return {
        title: `Put back: ${next.changes.map(changeTitle).join(", ")}`,
        reason:
          next.mended === undefined
            ? "You said it was worse with it. Put it back first, then look again."
            : `${capital(FAULT_WORDS[next.mended].name)} made it look rich, and it was jetted leaner for that. Now that it is mended, that is too lean: back first, then ride.`,
      };
    case "part":
      return partWords(next);
    case "ride":
      return rideWords(advice, next);
    case "check":
      return { title: checkFirstTitle(next), reason: checkFirstReason(next) };
    case "leave":
      return leaveWords(advice, next);
    case "stop":
      return {
        title: `Stop: ${STOP_WORDS[next.because].title}`,
        reason: STOP_WORDS[next.because].reason(percentWords(next.leanRisk)),
      };
  }
}

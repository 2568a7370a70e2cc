/** Faults that no jet cures, and the reasons for and against each, in words. */
import { CHECK_FIRST, type CheckFirst, type Suspect } from "#core/faults/suspicion.ts";
import type { Reason } from "#core/faults/likelihood-ratios.ts";
import type { FaultName } from "#core/log/fault-names.ts";
import { capital, certainty } from "./parts.ts";
import { QUESTION_WORDS } from "./questions.ts";
import { PLUG_FINDING_WORDS, SYMPTOM_WORDS } from "./symptoms.ts";
import { FINDING_WORDS } from "./findings.ts";
import { CHECK_WORDS } from "./walk-round.ts";

interface FaultWords {
  readonly name: string;
  /** what it does to the engine, so that a tuner knows it again */
  readonly does: string;
}

export const FAULT_WORDS: Readonly<Record<FaultName, FaultWords>> = {
  airLeak: {
    name: "an air leak",
    does: "Lean at idle, less the further it is opened; the screw hardly matters.",
  },
  floatHigh: {
    name: "a level that stands too high",
    does: "Rich everywhere, most at idle, worse after standing.",
  },
  floatLow: {
    name: "a level that stands too low",
    does: "Lean everywhere, most at full throttle after a long pull.",
  },
  chokeOpen: {
    name: "a choke that is not off",
    does: "Rich at idle and just off it, hardly at full throttle.",
  },
  pilotBlocked: {
    name: "dirt in the pilot circuit",
    does: "Lean at idle, and neither screw nor pilot jet changes it.",
  },
  mainNotAsStamped: {
    name: "a main jet that is not what is stamped on it",
    does: "Full throttle is off by a jump: the jet is drilled, of another family, or dirty.",
  },
  needleJetWorn: {
    name: "a worn needle jet",
    does: "Rich just off idle and in the middle, grown over months.",
  },
  fuelStarvation: {
    name: "fuel that comes too slowly",
    does: "It runs dry at full throttle after some seconds, and comes back when rolled off.",
  },
  plugDead: { name: "a dead plug", does: "Dark or glazed whatever is fitted, and no other witness says so." },
  ignition: {
    name: "an ignition that fails",
    does: "Cuts in and out; sooty on the plug and lean in the pipe at once.",
  },
  cylinderSeal: {
    name: "one cylinder’s own leak, ring or float",
    does: "It departs from its neighbours at several openings.",
  },
  airJetsDead: {
    name: "air jets that do nothing",
    does: "Another air jet was fitted and nothing moved: the tube behind it has no holes.",
  },
  partWithoutEffect: {
    name: "a part that did nothing",
    does: "It was changed and what it should do did not come: another family, a blocked passage, not what is stamped.",
  },
};

/** @returns e.g. "an air leak", of which cylinder where it sits on one */
export const faultName = ({
  fault,
  cylinder,
}: {
  readonly fault: FaultName;
  readonly cylinder?: number | undefined;
}): string => `${FAULT_WORDS[fault].name}${cylinder === undefined ? "" : ` on cylinder ${cylinder}`}`;

/** @returns headline of one that is so likely that it is looked for first */
export const checkFirstTitle = ({ orElse, ...first }: Omit<CheckFirst, "chance" | "check">): string =>
  `Check this first: ${faultName(first)}${orElse === undefined ? "" : `, or ${FAULT_WORDS[orElse].name}`}`;

export function checkFirstReason({ fault, check, chance }: CheckFirst): string {
  const { does } = FAULT_WORDS[fault];
  const looks = chance > CHECK_FIRST ? "This does not look like jetting" : "This may be no jetting";
  return `${looks}: ${certainty(chance)}. ${does} Look at ${CHECK_WORDS[check].short} before anything is jetted: readings taken on a fault teach the wrong lesson.`;
}

/** @returns one reason in words, with which way it speaks */
export function reasonWords(reason: Reason): string {
  const against = reason.weight < 0;
  switch (reason.kind) {
    case "looks":
      return against ? "the looks’ figures do not fit it well" : "the looks fit it better than any jetting";
    case "symptom":
      return `${against ? "seldom with it: " : ""}“${SYMPTOM_WORDS[reason.symptom]}”`;
    case "answer": {
      const { text, yes, no } = QUESTION_WORDS[reason.question];
      return `${text} “${reason.is === "yes" ? yes : no}”`;
    }
    case "plug":
      return `a plug: ${PLUG_FINDING_WORDS[reason.finding].name.toLowerCase()}`;
    case "finding":
      return reason.finding === undefined
        ? `${CHECK_WORDS[reason.check].short} is out of its limits`
        : `found on the walk-round: ${FINDING_WORDS[reason.finding].toLowerCase()}`;
    case "passed":
      return `${CHECK_WORDS[reason.check].short} passed on the walk-round`;
    case "notThis":
      return "it was looked for and not found";
    case "wasOnce":
      return "this rig had it once before";
  }
}

/** @returns what speaks for it and what against, each as one sentence; nothing where nothing does */
export function becauseWords({ because }: Pick<Suspect, "because">): { for: string; against: string } {
  const said = (of: (reason: Reason) => boolean) => because.filter(of).map(reasonWords).join("; ");
  return {
    for: capital(said(({ weight }) => weight > 0)),
    against: capital(said(({ weight }) => weight < 0)),
  };
}

/** What else would tell, beside the walk-round's check. */
export const ELSE_TELLS: Readonly<Record<FaultName, string>> = {
  airLeak: "Idle at working heat: does it change with the screw a full turn in and out?",
  floatHigh: "Leave it with the tap on: does anything drip?",
  floatLow: "A long pull on a closed course: is it weaker at its end than at its beginning?",
  chokeOpen: "Warm, pull the choke: if nothing changes it is on already.",
  pilotBlocked: "Turn the screw a full turn each way at idle: if nothing moves, no jet will.",
  mainNotAsStamped: "Fit another main jet: full throttle jumps with it. A pin gauge measures the hole.",
  needleJetWorn:
    "Measure the needle jet with a new needle beside it; compare this year’s fuel used with last year’s.",
  fuelStarvation: "Tap and line into a can for a minute; open the tank’s cap and try again.",
  plugDead: "A new plug and one ride; a λ figure or a temperature where there is one.",
  ignition: "A spark tester on a warm engine, cap and coil wiggled.",
  cylinderSeal: "The plugs of all cylinders side by side after one steady ride.",
  airJetsDead: "Look through the emulsion tube: are there holes?",
  partWithoutEffect: "Put it back: if that moves nothing either, the passage behind it is blocked.",
};

/** What it looks like to who does not know of it. */
export const TAKEN_FOR: Readonly<Record<FaultName, string>> = {
  airLeak:
    "A pilot jet that is too small. A larger one makes it idle, and is too rich once the leak is closed.",
  floatHigh:
    "A pilot jet, a clip or a main jet that are all a little too rich. After mending, all three are lean.",
  floatLow:
    "A main jet that is too small. A larger one helps for a part of the pull, then it fades as before.",
  chokeOpen: "A pilot jet that is too large. A smaller one is lean on the day the plunger seats again.",
  pilotBlocked:
    "A pilot jet that is too small. But a larger one changes nothing, and no turn of the screw does.",
  mainNotAsStamped: "A main jet one or two sizes off. The next one then jumps by more than its number says.",
  needleJetWorn:
    "A clip one groove too rich. A higher groove helps in the middle, and is lean just off idle.",
  fuelStarvation: "A main jet that is too small. But it pulls well at first, whatever jet is in.",
  plugDead: "A rich mixture. Leaner jets then make an engine lean that was right.",
  ignition:
    "A rich mixture by the plug, a lean one by the λ meter. When two witnesses contradict, look at the spark.",
  cylinderSeal: "A jet for that cylinder alone. It hides the leak until it grows.",
  airJetsDead: "An air jet of the wrong size. No size does anything without holes in the tube.",
  partWithoutEffect: "A setting that needs a larger step. The larger step does nothing either.",
};

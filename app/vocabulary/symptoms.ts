/** What an engine does, in the words of whoever holds the throttle. */
import type { PlugFinding } from "#core/log/parts.ts";
import type { QuestionName } from "#core/log/question-names.ts";
import type { Symptom } from "#core/log/symptom-names.ts";
import { QUESTION_WORDS } from "./questions.ts";

export const SYMPTOM_WORDS: Readonly<Record<Symptom, string>> = {
  hangsHigh: "Idle hangs high after a blip",
  popsOnOverrun: "Pops on the overrun",
  needsChokeWarm: "Wants the choke when warm",
  bogs: "Bogs when cracked open",
  surges: "Surges at steady throttle",
  pings: "Pings",
  seized: "Seized, or nearly",
  runsHot: "Runs hot",
  cutsOutHeldOpen: "Dies after some seconds held wide open",
  fadesHot: "Stronger as it gets hot, then fades",
  dropsLow: "Idle drops low after a blip, or dies",
  wetPlug: "Wet or sooty plug",
  drips: "Drips fuel, or smells of it after standing",
  stutters: "Stutters just off idle",
  smokes: "Heavy smoke",
  drinksMore: "Uses more fuel than it did",
  cleansOnlyHeldOpen: "Cleans out only when held open",
  fourStrokes: "Four-strokes at full throttle",
  cutsInAndOut: "Cuts in and out at full throttle, like a switch",
};

/** What the throttle hand was doing: the question a tuner can always answer. */
export const HAND_GROUPS = [
  {
    hand: "Let go: idle, and back to it",
    symptoms: ["hangsHigh", "dropsLow", "popsOnOverrun", "wetPlug", "needsChokeWarm"],
  },
  { hand: "Cracked it open", symptoms: ["bogs", "stutters"] },
  { hand: "Held it part open", symptoms: ["surges", "smokes", "cleansOnlyHeldOpen"] },
  {
    hand: "Held it wide open",
    symptoms: ["pings", "seized", "fourStrokes", "cutsInAndOut", "cutsOutHeldOpen", "runsHot", "fadesHot"],
  },
  { hand: "Left it standing, filled it up", symptoms: ["drips", "drinksMore"] },
] as const satisfies readonly { hand: string; symptoms: readonly Symptom[] }[];

/** A question that separates a symptom of the mixture from what feels the same and is no jetting. */
export interface LookAlike {
  readonly question: string;
  /** the answer that leaves it a matter of jetting */
  readonly jetting: string;
  /** the answer that does not, what it then is, and where to look */
  readonly other: string;
  readonly cause: string;
  readonly place?: string;
  /** asked by the judgement too: the other answer is this one, and both are logged with the look */
  readonly asks?: { readonly question: QuestionName; readonly other: "yes" | "no" };
}

/** @returns the same question, told as a look-alike */
function asked(question: QuestionName, other: "yes" | "no", cause: string, place: string): LookAlike {
  const { text, yes, no } = QUESTION_WORDS[question];
  const [jetting, otherwise] = other === "yes" ? [no, yes] : [yes, no];
  return { question: text, jetting, other: otherwise, cause, place, asks: { question, other } };
}

export const LOOK_ALIKES: Readonly<Partial<Record<Symptom, LookAlike>>> = {
  hangsHigh: asked(
    "screwMatters",
    "no",
    "Air is let in somewhere: leak, o-ring, flange, or a cable that pulls.",
    "walk-round/airLeaks",
  ),
  needsChokeWarm: asked("screwMatters", "no", "A leak, or dirt in the pilot circuit.", "walk-round/passages"),
  popsOnOverrun: {
    question: "Was the pipe off, or is its joint tight?",
    jetting: "Tight",
    other: "It may leak",
    cause: "Air drawn in at the joint burns in the pipe. Seal it, then listen again.",
  },
  bogs: {
    question: "A touch of choke, or a warmer engine: does it help?",
    jetting: "Yes",
    other: "No, or worse",
    cause: "Then it is not lean: too much at once, or an accelerator pump that does nothing.",
    place: "idle-speed",
  },
  surges: asked(
    "comesBackRolledOff",
    "yes",
    "Fuel comes too slowly: tap, filter, vent, float.",
    "walk-round/breathing",
  ),
  wetPlug: asked(
    "newPlugCures",
    "yes",
    "A plug that dies, or a weak spark: ignition first.",
    "walk-round/ignition",
  ),
  drips: asked(
    "worseAfterStanding",
    "yes",
    "The float needle does not seat, or the level is too high.",
    "walk-round/needleAndSeat",
  ),
  drinksMore: asked("cameSlowly", "yes", "A needle jet wears oval over months.", "walk-round/asMade"),
  fourStrokes: asked(
    "chokeChangesNothing",
    "yes",
    "A choke that does not seat feels the same at every opening.",
    "walk-round/choke",
  ),
  cutsInAndOut: asked(
    "comesBackRolledOff",
    "yes",
    "The bowl runs empty: filter, tap, vent, float needle, bowl level.",
    "walk-round/breathing",
  ),
  cutsOutHeldOpen: asked(
    "comesBackRolledOff",
    "yes",
    "The bowl runs empty: filter, tap, vent, float needle, bowl level.",
    "walk-round/breathing",
  ),
  fadesHot: {
    question: "After ten minutes’ rest, is it as strong as before?",
    jetting: "Yes, until hot again",
    other: "Still weak, or dies when hot",
    cause: "Vapour in the line, the tank’s vent, or a coil that fails when hot.",
    place: "walk-round/ignition",
  },
};

/** What else is on a plug, and what follows from it. */
export const PLUG_FINDING_WORDS: Readonly<
  Record<PlugFinding, { readonly name: string; readonly then: string }>
> = {
  wet: {
    name: "Wet with fuel",
    then: "Dry it or take a new one and read again: flooded, or no spark. The tone counts little.",
  },
  glazed: {
    name: "Glazed, dead",
    then: "You cannot read it any more. Replace it before the next reading; the tone counts little.",
  },
  specks: {
    name: "Specks of metal",
    then: "Detonation is taking metal off the piston. Stop: do not run it again before the cause is found.",
  },
  oily: {
    name: "Oily",
    then: "Oil comes from the engine or the premix, not from a jet. The tone counts little.",
  },
};

/** What an engine does, in the words of whoever holds the throttle. */
import type { PlugFinding } from "#core/log/parts.ts";
import type { Symptom } from "#core/log/symptom-names.ts";

export const SYMPTOM_WORDS: Readonly<Record<Symptom, string>> = {
  hangsHigh: "Idle hangs high after a blip",
  popsOnOverrun: "Pops on the overrun",
  bogs: "Bogs when cracked open",
  surges: "Surges at steady throttle",
  pings: "Pings",
  runsHot: "Runs hot",
  fadesHot: "Stronger as it gets hot, then fades",
  dropsLow: "Idle drops low after a blip, or dies",
  wetPlug: "Wet or sooty plug",
  stutters: "Stutters off idle",
  smokes: "Heavy smoke",
  cleansOnlyHeldOpen: "Cleans out only when held open",
  fourStrokes: "Four-strokes at full throttle",
  cutsInAndOut: "Cuts in and out at the top, like a switch",
};

/** What the throttle hand was doing: the question a tuner can always answer. */
export const HAND_GROUPS = [
  { hand: "Let go: idle, and back to it", symptoms: ["hangsHigh", "dropsLow", "popsOnOverrun", "wetPlug"] },
  { hand: "Cracked it open", symptoms: ["bogs", "stutters"] },
  { hand: "Held it part open", symptoms: ["surges", "smokes", "cleansOnlyHeldOpen"] },
  { hand: "Held it wide open", symptoms: ["pings", "fourStrokes", "cutsInAndOut", "runsHot", "fadesHot"] },
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
}

export const LOOK_ALIKES: Readonly<Partial<Record<Symptom, LookAlike>>> = {
  hangsHigh: {
    question: "Does the mixture screw change it?",
    jetting: "Yes",
    other: "No, whatever it does",
    cause: "Air is let in somewhere: leak, o-ring, flange, or a cable that pulls.",
    place: "walk-round/airLeaks",
  },
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
  surges: {
    question: "Does it also surge with a fresh tankful and the tap on reserve?",
    jetting: "Yes",
    other: "No",
    cause: "Fuel comes too slowly: tap, filter, vent, float.",
    place: "walk-round/needleAndSeat",
  },
  wetPlug: {
    question: "Does a new plug spark blue out of the head?",
    jetting: "Yes",
    other: "No, or weak",
    cause: "A weak spark leaves fuel on the plug. Ignition first.",
    place: "walk-round/ignition",
  },
  fourStrokes: {
    question: "Is the choke really off, and the float where it belongs?",
    jetting: "Yes",
    other: "Not looked at",
    cause: "A choke that does not seat or a high float feels the same at every opening.",
    place: "walk-round/choke",
  },
  cutsInAndOut: {
    question: "Rolled off for a second, then on again: what happens?",
    jetting: "Cuts at once, as before",
    other: "Pulls again for a while",
    cause: "The bowl runs empty: filter, tap, vent, float needle, bowl level.",
    place: "walk-round/needleAndSeat",
  },
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
    then: "It will not tell any more. Replace it before the next reading; the tone counts little.",
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

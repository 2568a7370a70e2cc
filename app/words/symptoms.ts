/** What an engine does, in the words of whoever holds the throttle. */
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

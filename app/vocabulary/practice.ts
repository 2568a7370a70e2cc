/** Practice in words: levels, what a ride feels like, why something cannot be done. */
import type { Zone } from "#core/carburettor/zones.ts";
import type { Feel, Felt } from "#core/practice/feel.ts";
import type { Refusal } from "#core/practice/game.ts";
import type { LightName } from "#core/pictures/light.ts";
import type { LinkRead } from "#core/practice/link.ts";
import type { FreeKind, Hold, Level } from "#core/practice/levels.ts";
import type { Player } from "#core/practice/score.ts";

export interface LevelWords {
  readonly name: string;
  /** what is known of the engine, as its owner tells it */
  readonly brief: string;
  /** what the level teaches */
  readonly lesson: string;
}

export const LEVEL_WORDS: Readonly<Record<Level, LevelWords>> = {
  topRich: {
    name: "One jet too large",
    brief:
      "A 250 two-stroke. It starts and idles well. At full throttle it is lazy and smokes. Its owner fitted a main jet “to be safe”.",
    lesson: "Ride at full throttle, read the plug, fit a smaller main jet.",
  },
  middle: {
    name: "The middle",
    brief: "A 250 two-stroke. Somebody moved the needle clip. Idle and full throttle were left alone.",
    lesson: "A clip one groove off: find out which way.",
  },
  idle: {
    name: "The idle and its pilot jet",
    brief:
      "A 250 two-stroke that was fitted with another pilot jet. It idles badly, whatever the screw does.",
    lesson: "Walk the screw on the idle bench. If the best idle is far in or far out, change the pilot jet.",
  },
  unsafeTop: {
    name: "A main jet that was guessed",
    brief:
      "A 250 two-stroke with an unknown main jet. It may be too lean at full throttle. A lean engine dies there.",
    lesson: "Go up with the throttle in steps. Fit a larger main jet before you hold it wide open.",
  },
  twoHide: {
    name: "Two that hide each other",
    brief:
      "A 250 two-stroke in unknown air. Its middle and its full throttle are both wrong, in opposite ways.",
    lesson:
      "The main jet hides what the needle does. Put full throttle right first, then look at the middle.",
  },
  mountain: {
    name: "Mountain air, no ride",
    brief:
      "A 250 two-stroke that ran perfectly at sea level. Now it is on a mountain pass, and the gate opens in half an hour.",
    lesson: "Thin air needs less fuel. Work out how much, change it, and trust it.",
  },
  kart: {
    name: "Kart: ten laps a look",
    brief: "A 125 kart. The track gives you whole laps only. Everything is ridden through before you stop.",
    lesson: "Read plug, crown and header together.",
  },
  heads: {
    name: "Methanol, by head temperature",
    brief:
      "A methanol engine with a probe in its head. At the start line it should show 65 °C. To the finish it should gain 38 to 46 °C.",
    lesson: "Set the start line by the pilot side first, then the finish by the main jet.",
  },
  twin: {
    name: "Twin: balance first",
    brief: "A 250 twin with two carburettors on one shaft. It shakes at idle, and its plugs differ.",
    lesson: "Balance the carburettors before you read a plug.",
  },
  fault: {
    name: "A fault that no jet cures",
    brief: "A 250 two-stroke that was right a week ago. Nobody touched a jet. Now its owner is not happy.",
    lesson: "Look for the fault before you change a jet. Sometimes there is none.",
  },
  free: {
    name: "Free game",
    brief: "You know nothing about this engine. It may have a fault that no jet cures.",
    lesson: "All that you have learnt.",
  },
};

export const FREE_KIND_WORDS: Readonly<Record<FreeKind, string>> = {
  twoStrokeBike: "Two-stroke bike",
  fourStrokeAtv: "Four-stroke ATV",
  kart: "Kart",
  childTwoStroke: "Child’s bike",
};

export const HOLD_WORDS: Readonly<Record<Hold, string>> = {
  idle: "Idle",
  low: "Just off idle",
  mid: "Middle, steady",
  top: "Full throttle",
  lap: "Laps",
};

/** Of feel alone: rich or lean is for the learner to say. */
const CRISP: Readonly<Record<Zone, string>> = {
  idle: "It idles evenly, and falls back cleanly after a blip.",
  low: "Crisp: it goes where your hand goes.",
  mid: "Held steady it runs smooth.",
  top: "It pulls hard and revs out.",
};

const FEEL_WORDS: Readonly<Record<Exclude<Feel, "crisp">, readonly [clear: string, slight: string]>> = {
  hangsHigh: [
    "Off the throttle the idle hangs high, then comes down slowly.",
    "The idle hangs a moment after a blip.",
  ],
  loadsUp: [
    "The idle drops and stumbles, and it clears its throat on the first pull.",
    "The idle is a little lumpy.",
  ],
  coughs: ["It coughs and hesitates when you open it.", "A slight hesitation when you open it."],
  burbles: ["It burbles and pulls away soft.", "It pulls away a little soft."],
  surges: ["Held steady it surges: faster, slower, faster.", "Held steady it hunts a little."],
  fourStrokes: [
    "Held steady it stutters, as if it fired every second time.",
    "Held steady it runs a little rough.",
  ],
  flat: ["It runs out of breath early, and feels hot and dry.", "It stops pulling a little early."],
  pings: ["It pings: a metallic rattle under load.", "It pings: a metallic rattle under load."],
  breaksUp: ["It breaks up and will not rev out, with smoke behind it.", "It revs out lazily."],
};

export const feelWords = ({ zone, feel, strong }: Felt): string =>
  feel === "crisp" ? CRISP[zone] : FEEL_WORDS[feel][strong ? 0 : 1];

export const REFUSAL_WORDS: Readonly<Record<Refusal, string>> = {
  noRideYet: "Ride first: there is nothing to see yet.",
  noRideHere: "This level does not let you hold that.",
  over: "This game is over. See the debrief, or start again.",
  noMinutes: "There are not enough minutes left for that before the gate opens.",
  impossible: "This engine cannot have that.",
  nothingChanged: "That is what is fitted already.",
  nothingFound: "Find something first: check the engine part by part.",
};

export const LINK_WORDS: Readonly<Record<(LinkRead & { ok: false })["why"], string>> = {
  notOne: "This link is no practice game. Pick a level below.",
  otherVersion:
    "This game was made by another version of Tamis and cannot be played here. Pick a level below.",
  noLevel: "There is no level of that name. Pick a level below.",
  noSeed: "The number in this link is no engine of ours. It goes from 0 to 999999. Pick a level below.",
};

export const PLAYER_WORDS: Readonly<Record<Player, string>> = {
  tamis: "Tamis, to the letter",
  bottomUp: "Idle first, by the book",
  topFirst: "Full throttle first, by the book",
};

/** The light that a picture was taken in. */
export const LIGHT_NOTES: Readonly<Record<LightName, string>> = {
  shade: "in the shade",
  sun: "in the sun",
  lamp: "by a lamp",
};

/** From so many points a level counts as learnt. */
export const LEARNT_FROM = 60;

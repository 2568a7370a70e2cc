/** The walk-round explained: what each check is for, how it is done, what a fault does, what to do about it. */
import type { FloatVerdict } from "#core/walkround/float.ts";
import type { PinVerdict } from "#core/walkround/pin-gauge.ts";
import type { Effect } from "#core/walkround/checks.ts";
import type { CheckName, FindingName } from "#core/log/walk-round-names.ts";
import type { OverflowCause } from "#core/walkround/overflow.ts";

export interface CheckGuide {
  readonly why: string;
  readonly steps: readonly string[];
  readonly tools: string;
  readonly caution?: string;
}

const FUEL =
  "Petrol vapour burns far from where it is poured: tap off, engine cold, no flame or sparks, in the open.";

export const CHECK_GUIDE: Readonly<Record<CheckName, CheckGuide>> = {
  ignition: {
    why: "Ignition first, then carburettor: a weak spark reads like a rich mixture.",
    steps: [
      "Right type and heat range, the same in every cylinder.",
      "Measure the gap. Look at cap and lead.",
      "Replace a dead or glazed plug, and read only the new one.",
    ],
    tools: "Plug spanner, gap gauge",
    caution: "A sparking plug lights fuel vapour, and the coil bites. Plugs and head are hot after a run.",
  },
  choke: {
    why: "A choke part open reads as rich everywhere.",
    steps: ["Lever off: is the plunger seated?", "Slack in its cable, both cables where there are two."],
    tools: "A look, a finger",
  },
  cable: {
    why: "The slide must do what the hand does.",
    steps: [
      "Measure the slack with the throttle closed.",
      "Open fully: the slide clears the bore.",
      "Turn the bars from lock to lock: nothing may pull. All slides start together.",
    ],
    tools: "Rule, torch",
    caution:
      "A throttle that sticks can kill. It must snap shut from any opening before the engine is started.",
  },
  breathing: {
    why: "Filter and box as they will be run, and fuel that can follow.",
    steps: [
      "Filter clean, oiled, in place; lid as it will be run.",
      "Tap open, vent free, line without a kink, inline filter clean.",
      "Let fuel run for half a minute into a measure: how much a minute?",
    ],
    tools: "Measuring jug, watch",
    caution: FUEL,
  },
  floatHeight: {
    why: "The float sets the fuel level, and the level moves every circuit at once.",
    steps: [
      "Carburettor inverted: the tab only rests on the spring pin and does not compress it. Tilt it until it just touches.",
      "Measure to the gasket face, gasket on or off as the manual says; write down which.",
      "Measure both floats where there are two. Bend the tab, never the float.",
    ],
    tools: "Depth gauge or rule",
    caution: FUEL,
  },
  wetLevel: {
    why: "What counts is the fuel level while it runs.",
    steps: [
      "Clear tube on the drain, held up beside the bowl; carburettor at its riding angle.",
      "Fuel at running pressure, bubbles worked out of the tube.",
      "Measure how far the fuel is below the gasket face. Or: shut the tap, drop the bowl level, measure down from its rim.",
    ],
    tools: "Clear tube, rule",
    caution: FUEL,
  },
  floatDrop: {
    why: "Enough for the needle to open, not so much that the float hangs up or the needle falls out.",
    steps: ["Carburettor upright: let the float hang.", "Measure from the gasket face. Bend the stop tab."],
    tools: "Rule",
  },
  needleAndSeat: {
    why: "A seat that leaks raises the level by itself, and most when it shakes.",
    steps: [
      "Tap on, engine off: does the drain at the side run?",
      "Does the overflow pipe drip only on a shaking engine?",
      "Look at the needle’s tip, its spring pin, the seat and the o-ring under it.",
    ],
    tools: "Torch, magnifier",
    caution: FUEL,
  },
  airLeaks: {
    why: "Air that goes round the carburettor is lean, and no jet cures it.",
    steps: [
      "O-ring inside the flange all round; boots, top cover, cable holes; unused spigots blanked.",
      "Bore in line with the manifold: feel the step at four places. Where the holes are slotted, line up the bottom edge.",
      "In a sealed class do this before the scrutineer does.",
    ],
    tools: "Fingertip, feeler gauge, torch",
    caution: "Testing with a spray means vapour on a hot engine: never near sparks, flame or a hot pipe.",
  },
  passages: {
    why: "A jet is what its hole is, not what its stamp says.",
    steps: [
      "Largest pin that passes, smallest that does not: pilot and main. Never force a pin.",
      "Emulsion tube holes, pilot drillings, needle-jet o-ring.",
      "An undrilled tube makes air jets dead: write it into the rig.",
    ],
    tools: "Pin gauges, torch",
    caution: "Eye protection with compressed air and cleaner.",
  },
  pump: {
    why: "Without its squirt a snap of the throttle goes lean.",
    steps: ["Spring and plunger present, nothing seized.", "Screw at its base: count the turns out."],
    tools: "Screwdriver",
  },
  mounting: {
    why: "A carburettor that drops off takes the throttle with it.",
    steps: [
      "New gasket, clean faces, tightened to the manual. Rag in the open port while it is off, and out again.",
      "Slide the right way round: cutaway to the filter. Needle seated in it.",
      "Secured so that it cannot drop off; breather not feeding oil or heat into the inlet.",
    ],
    tools: "Torque wrench, rag",
    caution: "Throttle must snap shut before the engine is started. Count the rags.",
  },
  asMade: {
    why: "Someone may have been here before.",
    steps: [
      "Slide drillings against new: a drill’s shank is a gauge. Spring length against new.",
      "Ports as made; no loose baffle or clip that could foul a float.",
    ],
    tools: "Drill shanks, rule",
  },
};

/** What to do about what was found. */
export const REMEDY_WORDS: Readonly<Record<FindingName, string>> = {
  wrongPlug: "Fit the right one.",
  plugsDiffer: "One make and heat range in all cylinders.",
  deadPlug: "Replace it before reading a new one.",
  weakSpark: "Cap, lead, coil, earth.",
  chokePartOpen: "Clean its bore, look at its rubber, free the lever.",
  chokeCableTight: "Give the cable slack.",
  liftNotFull: "Cable, routing, grip stop.",
  pullsWithBars: "Route the cable anew.",
  slidesUneven: "Set the slack, then balance.",
  slideSticks: "Do not start the engine. Find out why.",
  filterDirty: "Wash it before jetting.",
  filterNotAsRun: "Fit both as they will be run.",
  fuelStarved: "Clear it, measure the flow again.",
  ventBlocked: "Clear it; route the hose without a dip.",
  floatHolds: "Replace the float.",
  floatsDiffer: "Bend one tab until they are.",
  floatHangs: "Stop tab, hinge pin, bowl clearance.",
  sideDrainRuns: "Seat and needle: dirt, wear, spring pin.",
  standPipeDrips: "Vibration: route the hose high.",
  seatWorn: "Needle and seat together.",
  seatRing: "New o-ring.",
  flangeRing: "New ring, flat and clean faces.",
  bootCracked: "Replace it, tighten the clamp.",
  spigotOpen: "Blank it.",
  topCoverLeaks: "Seal, cable boot.",
  pilotBlocked: "Clean: cleaner, air, nylon; no wire.",
  mainBlocked: "Clean it; look at the bowl too.",
  tubeBlocked: "Clean every hole.",
  needleJetRing: "New o-ring: it feeds round the needle.",
  pumpSeized: "Free it; look at its rubber.",
  pumpSpringGone: "Fit them.",
  gasketOld: "New gasket before it leaks.",
  slideReversed: "Cutaway to the filter.",
  needleLoose: "Seat it, look at clip and retainer.",
  notSecured: "Do not run it.",
  throttleNotSnapping: "Do not start the engine.",
  breatherOil: "Route it away from the inlet.",
  slideDrilled: "Write it down; another slide if you can.",
  springSagged: "New spring.",
  looseBaffle: "Take it out or fix it.",
};

export const EFFECT_WORDS: Readonly<Record<Effect, string>> = {
  rich: "reads as rich",
  lean: "reads as lean",
  either: "spoils every reading",
  none: "danger rather than mixture",
};

export const OVERFLOW_WORDS: Readonly<Record<OverflowCause, string>> = {
  dirtInSeat: "Dirt in the seat: clean it, look at the filter in the line.",
  wornNeedleOrSeat: "Needle or seat worn: a ring on the tip.",
  springPinStuck: "Spring pin in the needle stuck: it no longer takes up the shaking.",
  seatRing: "O-ring under the seat.",
  floatHeavy: "Float heavy: fuel inside, or the wrong float.",
  levelTooHigh: "Level too high: set the float.",
  vibration: "Vibration only: route the pipe’s hose high. No fault of the valve.",
  angle: "The angle only: it stops upright. No fault of the valve.",
};

export const BEND_WORDS: Readonly<Record<FloatVerdict["bend"], string>> = {
  none: "The float is within its limits: leave the tab alone.",
  towardsValve:
    "Bend the tab towards the valve. It shuts earlier, the fuel level is lower, everything goes leaner. As it is, the level is too high.",
  awayFromValve:
    "Bend the tab away from the valve. It shuts later, the fuel level is higher, everything goes richer. As it is, the level is too low.",
};

export const PIN_WORDS: Readonly<Record<PinVerdict["verdict"], string>> = {
  asStamped: "It is what its stamp says.",
  drilled:
    "It has been drilled. Put it into the box with its measured hole, and fit one that matches its stamp.",
  blocked: "It is blocked or not what its stamp says: clean it, then try the pin again.",
};

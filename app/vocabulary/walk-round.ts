/** The walk-round in words: what each check is for, how it is done, what a fault does, what to do about it. */
import type { FloatVerdict } from "#core/walkround/float.ts";
import type { PinVerdict } from "#core/walkround/pin-gauge.ts";
import type { Effect } from "#core/walkround/checks.ts";
import type { CheckName, CheckState, FindingName, MeasureName } from "#core/log/walk-round-names.ts";
import type { OverflowCause } from "#core/walkround/overflow.ts";

export interface CheckWords {
  readonly title: string;
  /** within a sentence */
  readonly short: string;
  readonly why: string;
  readonly steps: readonly string[];
  readonly tools: string;
  readonly caution?: string;
}

const FUEL =
  "Petrol vapour burns far from where it is poured: tap off, engine cold, no flame or sparks, in the open.";

export const CHECK_WORDS: Readonly<Record<CheckName, CheckWords>> = {
  ignition: {
    title: "Ignition and plug",
    short: "the ignition",
    why: "Ignition first, then carburettor: a weak spark reads like a rich mixture.",
    steps: [
      "Right type and heat range, the same in every cylinder.",
      "Measure the gap. Look at cap and lead.",
      "Replace a dead or glazed plug before anything is read from a new one.",
    ],
    tools: "Plug spanner, gap gauge",
    caution: "A sparking plug lights fuel vapour, and the coil bites. Plugs and head are hot after a run.",
  },
  choke: {
    title: "Choke really off",
    short: "the choke",
    why: "A choke part open reads as rich everywhere.",
    steps: ["Lever off: is the plunger seated?", "Slack in its cable, both cables where there are two."],
    tools: "A look, a finger",
  },
  cable: {
    title: "Throttle cable",
    short: "the throttle cable",
    why: "What the hand does must be what the slide does.",
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
    title: "Filter, box and fuel",
    short: "filter and fuel",
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
    title: "Float, dry height",
    short: "the float’s height",
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
    title: "Float, wet level",
    short: "the fuel level",
    why: "What counts is where the fuel stands when it runs.",
    steps: [
      "Clear tube on the drain, held up beside the bowl; carburettor at its riding angle.",
      "Fuel at running pressure, bubbles worked out of the tube.",
      "Measure how far below the gasket face the fuel stands. Or: shut the tap, drop the bowl level, measure down from its rim.",
    ],
    tools: "Clear tube, rule",
    caution: FUEL,
  },
  floatDrop: {
    title: "Float drop",
    short: "the float’s drop",
    why: "Enough for the needle to open, not so much that the float hangs up or the needle falls out.",
    steps: ["Carburettor upright: let the float hang.", "Measure from the gasket face. Bend the stop tab."],
    tools: "Rule",
  },
  needleAndSeat: {
    title: "Needle and seat",
    short: "float needle and seat",
    why: "A seat that leaks raises the level by itself, and most when it shakes.",
    steps: [
      "Tap on, engine off: does the drain at the side run?",
      "Does the stand-pipe drip only on a shaking engine?",
      "Look at the needle’s tip, its spring pin, the seat and the o-ring under it.",
    ],
    tools: "Torch, magnifier",
    caution: FUEL,
  },
  airLeaks: {
    title: "Air leaks and alignment",
    short: "an air leak",
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
    title: "Jets and passages",
    short: "jets and passages",
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
    title: "Accelerator pump",
    short: "the accelerator pump",
    why: "Without its squirt a snap of the throttle goes lean.",
    steps: ["Spring and plunger present, nothing seized.", "Screw at its base: count the turns out."],
    tools: "Screwdriver",
  },
  mounting: {
    title: "Flange and mounting",
    short: "the mounting",
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
    title: "As made",
    short: "a part not as made",
    why: "Someone may have been here before.",
    steps: [
      "Slide drillings against new: a drill’s shank is a gauge. Spring length against new.",
      "Ports as made; no loose baffle or clip that could foul a float.",
    ],
    tools: "Drill shanks, rule",
  },
};

export const MEASURE_WORDS: Readonly<Record<MeasureName, { readonly label: string; readonly unit: string }>> =
  {
    plugGapMm: { label: "Plug gap", unit: "mm" },
    chokeSlackMm: { label: "Slack in the choke cable", unit: "mm" },
    cableSlackMm: { label: "Slack, throttle closed", unit: "mm" },
    fuelFlowMlMin: { label: "Fuel a minute", unit: "ml" },
    floatLeftMm: { label: "Height, single or left float", unit: "mm" },
    floatRightMm: { label: "Height, right float", unit: "mm" },
    wetLevelMm: { label: "Fuel below the gasket face", unit: "mm" },
    floatDropMm: { label: "Drop", unit: "mm" },
    stepTopMm: { label: "Step at the top", unit: "mm" },
    stepBottomMm: { label: "Step at the bottom", unit: "mm" },
    stepLeftMm: { label: "Step on the left", unit: "mm" },
    stepRightMm: { label: "Step on the right", unit: "mm" },
    pilotGoMm: { label: "Pilot: pin that passes", unit: "mm" },
    pilotNoGoMm: { label: "Pilot: pin that does not", unit: "mm" },
    mainGoMm: { label: "Main: pin that passes", unit: "mm" },
    mainNoGoMm: { label: "Main: pin that does not", unit: "mm" },
    pumpTurns: { label: "Pump screw, out", unit: "turns" },
    slideSpringMm: { label: "Slide spring, free", unit: "mm" },
    slideDrillMm: { label: "Slide drilling", unit: "mm" },
  };

/** What was found, and what to do about it. */
export const FINDING_WORDS: Readonly<
  Record<FindingName, { readonly found: string; readonly remedy: string }>
> = {
  wrongPlug: { found: "Wrong type or heat range", remedy: "Fit the right one." },
  plugsDiffer: { found: "Plugs differ", remedy: "One make and heat range in all cylinders." },
  deadPlug: { found: "Dead or glazed plug", remedy: "Replace it before reading a new one." },
  weakSpark: { found: "Cap, lead or spark weak", remedy: "Cap, lead, coil, earth." },
  chokePartOpen: {
    found: "Plunger not seated",
    remedy: "Clean its bore, look at its rubber, free the lever.",
  },
  chokeCableTight: { found: "Cable holds it open", remedy: "Give the cable slack." },
  liftNotFull: { found: "No full lift", remedy: "Cable, routing, grip stop." },
  pullsWithBars: { found: "Pulls when the bars turn", remedy: "Route the cable anew." },
  slidesUneven: { found: "Slides do not start together", remedy: "Set the slack, then balance." },
  slideSticks: { found: "Slide or grip sticks", remedy: "Do not start the engine. Find out why." },
  filterDirty: { found: "Filter dirty or over-oiled", remedy: "Wash it before jetting." },
  filterNotAsRun: { found: "Filter or lid not as it will be run", remedy: "Fit both as they will be run." },
  fuelStarved: { found: "Tap, line or filter starves it", remedy: "Clear it, measure the flow again." },
  ventBlocked: { found: "Tank or bowl vent blocked", remedy: "Clear it; route the hose without a dip." },
  floatHolds: { found: "Float holds liquid or is heavy", remedy: "Replace the float." },
  floatsDiffer: { found: "Two floats not alike", remedy: "Bend one tab until they are." },
  floatHangs: { found: "Float hangs up or drops too far", remedy: "Stop tab, hinge pin, bowl clearance." },
  sideDrainRuns: { found: "Side drain runs", remedy: "Seat and needle: dirt, wear, spring pin." },
  standPipeDrips: {
    found: "Stand-pipe drips on a shaking engine",
    remedy: "Vibration: route the hose high.",
  },
  seatWorn: { found: "Ring worn into the needle’s tip", remedy: "Needle and seat together." },
  seatRing: { found: "O-ring under the seat leaks", remedy: "New o-ring." },
  flangeRing: { found: "Flange o-ring or gasket leaks", remedy: "New ring, flat and clean faces." },
  bootCracked: { found: "Boot cracked or loose", remedy: "Replace it, tighten the clamp." },
  spigotOpen: { found: "Spigot open", remedy: "Blank it." },
  topCoverLeaks: { found: "Top cover or cable hole leaks", remedy: "Seal, cable boot." },
  pilotBlocked: { found: "Pilot drilling blocked", remedy: "Clean: cleaner, air, nylon; no wire." },
  mainBlocked: { found: "Main passage blocked", remedy: "Clean it; look at the bowl too." },
  tubeBlocked: { found: "Emulsion holes blocked", remedy: "Clean every hole." },
  needleJetRing: { found: "Needle-jet o-ring gone", remedy: "New o-ring: it feeds round the needle." },
  pumpSeized: { found: "Pump seized", remedy: "Free it; look at its rubber." },
  pumpSpringGone: { found: "Pump spring or plunger missing", remedy: "Fit them." },
  gasketOld: { found: "Gasket old", remedy: "New gasket before it leaks." },
  slideReversed: { found: "Slide the wrong way round", remedy: "Cutaway to the filter." },
  needleLoose: { found: "Needle not seated in the slide", remedy: "Seat it, look at clip and retainer." },
  notSecured: { found: "Carburettor not secured", remedy: "Do not run it." },
  throttleNotSnapping: { found: "Throttle does not snap shut", remedy: "Do not start the engine." },
  breatherOil: { found: "Breather feeds oil or heat", remedy: "Route it away from the inlet." },
  slideDrilled: { found: "Slide drillings not as made", remedy: "Write it down; another slide if you can." },
  springSagged: { found: "Spring shorter than new", remedy: "New spring." },
  looseBaffle: { found: "Loose baffle or clip", remedy: "Take it out or fix it." },
};

export const EFFECT_WORDS: Readonly<Record<Effect, string>> = {
  rich: "reads as rich",
  lean: "reads as lean",
  either: "spoils every reading",
  none: "danger rather than mixture",
};

export const STATE_WORDS: Readonly<Record<CheckState, string>> = {
  pass: "pass",
  notes: "pass with notes",
  stop: "stop",
  skipped: "skipped",
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
  none: "The float stands within its limits: leave the tab alone.",
  towardsValve:
    "Bend the tab towards the valve: it shuts earlier, the fuel stands lower, everything goes leaner. As it is, the level is too high.",
  awayFromValve:
    "Bend the tab away from the valve: it shuts later, the fuel stands higher, everything goes richer. As it is, the level is too low.",
};

export const PIN_WORDS: Readonly<Record<PinVerdict["verdict"], string>> = {
  asStamped: "It is what its stamp says.",
  drilled:
    "It has been drilled: put it into the box with its measured hole, and fit one that is what it says.",
  blocked: "It is blocked or not what its stamp says: clean it, then try the pin again.",
};

/** @returns `the choke and the fuel level` */
export function checkList(checks: readonly CheckName[]): string {
  const names = checks.map((check) => CHECK_WORDS[check].short);
  return names.length < 2 ? (names[0] ?? "") : `${names.slice(0, -1).join(", ")} and ${names.at(-1) ?? ""}`;
}

/** Headline and reason while the card is held back. */
export const heldWords = (held: readonly CheckName[]): { title: string; reason: string } => ({
  title: `Stop: ${checkList(held)}`,
  reason: `The walk-round found a fault there, and no jet cures it. Mend it and pass the check; until then the card is held back.`,
});

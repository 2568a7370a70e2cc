/** Words of the trade, and the few of our own: a short note each, and the page that says more. */

export interface Word {
  readonly name: string;
  readonly means: string;
  /** its page of the handbook */
  readonly page?: string;
}

export const GLOSSARY = {
  airScrew: {
    name: "Air screw",
    means: "Mixture screw on the filter side: further out is leaner.",
    page: "pilot-screw",
  },
  bestIdle: {
    name: "Best idle",
    means: "Where the idle is fastest over the turns of the screw.",
    page: "idle",
  },
  bog: {
    name: "Bog",
    means: "The engine dies for a moment when you open the throttle.",
    page: "pilot-screw",
  },
  card: { name: "Card", means: "What to fit in today’s air, with how sure it is.", page: "decides" },
  cleanCut: {
    name: "Clean cut",
    means: "Clutch in and engine off at the opening that you held, then coast.",
    page: "plug",
  },
  clip: { name: "Clip, groove", means: "The clip holds the needle in one of its grooves.", page: "needle" },
  cutaway: { name: "Cutaway", means: "The slope under the slide, towards the filter.", page: "slide" },
  densityAltitude: {
    name: "Density altitude",
    means: "The height at which standard air is as thin as yours.",
    page: "formulas",
  },
  dryAir: { name: "Dry air", means: "The air without its water: what the engine burns.", page: "formulas" },
  emulsionTube: {
    name: "Emulsion tube",
    means: "Mixes air into the fuel through its holes.",
    page: "air-jets",
  },
  fourStroking: {
    name: "Four-stroking",
    means: "A rich two-stroke that fires every second time.",
    page: "main-jet",
  },
  fuelScrew: {
    name: "Fuel screw",
    means: "Mixture screw on the engine side: further out is richer.",
    page: "pilot-screw",
  },
  lambda: {
    name: "λ",
    means: "Air in the mixture against what the fuel needs. Above 1 is lean.",
    page: "lambda",
  },
  lean: { name: "Lean", means: "Too little fuel for the air.", page: "start" },
  mainJet: { name: "Main jet", means: "Rules full throttle.", page: "main-jet" },
  needleJet: { name: "Needle jet", means: "The hole that the needle moves in.", page: "needle" },
  pilotJet: { name: "Pilot jet", means: "Rules the idle.", page: "pilot-screw" },
  pinging: { name: "Pinging", means: "A metallic rattle under load. Stop riding.", page: "top" },
  plugReading: {
    name: "Plug reading",
    means: "The colour of the porcelain shows how rich it burnt.",
    page: "plug",
  },
  rich: { name: "Rich", means: "Too much fuel for the air.", page: "start" },
  sieve: { name: "Sieve", means: "All settings that are still possible.", page: "decides" },
  stationPressure: {
    name: "Station pressure",
    means: "What the air really weighs where you are, not reduced to the sea.",
    page: "air",
  },
  stop: { name: "Stop", means: "A pause between two rides, to look and to change.", page: "decides" },
  strip: { name: "Strip", means: "The picture of the mixture along the throttle.", page: "who-feeds" },
  surging: {
    name: "Surging",
    means: "Faster, slower, faster at a steady throttle: often lean.",
    page: "middle",
  },
  wetLevel: { name: "Wet level", means: "Height of the fuel in the bowl while it runs.", page: "float" },
} as const satisfies Readonly<Record<string, Word>>;
export type Term = keyof typeof GLOSSARY;
export const TERMS = Object.keys(GLOSSARY) as readonly Term[];

/** How each assumed value is measured: its field, and where the gauge goes. */
import type { AssumedPath } from "#core/rig/assumed.ts";

export interface HowTo {
  readonly label: string;
  readonly unit?: string;
  /** in the unit that is preferred for it */
  readonly of?: "temperature" | "pressure";
  readonly minutes: number;
  readonly how: string;
}

export const HOW_TO: Readonly<Record<AssumedPath, HowTo>> = {
  "engine.displacementCm3": {
    label: "Displacement of one cylinder",
    unit: "cm³",
    minutes: 2,
    how: "From the papers, or bore × bore × stroke × 0.785 in centimetres.",
  },
  "engine.idleRpm": {
    label: "Idle speed",
    unit: "rpm",
    minutes: 2,
    how: "Warm, choke off, read off any rev counter; the idle bench keeps one too.",
  },
  "engine.peakRpm": {
    label: "Speed of peak power",
    unit: "rpm",
    minutes: 2,
    how: "From the book or a bench sheet: where it pulls hardest, not where it ends.",
  },
  "carburettor.boreMm": {
    label: "Throttle bore",
    unit: "mm",
    minutes: 5,
    how: "Inside caliper across the throat at the slide, on the engine’s side. Often stamped on the body.",
  },
  "carburettor.slide.idleLiftMm": {
    label: "Lift at idle",
    unit: "mm",
    minutes: 5,
    how: "Idle stop as set: the drill shank that just slips under the slide, on the air filter’s side.",
  },
  "carburettor.slide.cutawayMm": {
    label: "Cutaway",
    unit: "mm",
    minutes: 10,
    how: "Slide out: height of the slope on the filter’s side above the flat bottom. Or its number, tenths of a millimetre on most.",
  },
  "carburettor.slide.restLiftMm": {
    label: "Lift at rest",
    unit: "mm",
    minutes: 5,
    how: "Engine off, slide down on its stop: the drill shank that slips under it.",
  },
  "carburettor.slide.depressionPa": {
    label: "Depression that lifts the slide",
    unit: "Pa",
    minutes: 15,
    how: "Weight of slide and spring force half way up, over the diaphragm’s area. Leave it assumed if in doubt.",
  },
  "carburettor.needleJetMm": {
    label: "Needle jet",
    unit: "mm",
    minutes: 20,
    how: "Tube out: the pin gauge that just goes through, in hundredths. Worn oval, take the wider way.",
  },
  "carburettor.needle.profile": {
    label: "Needle, thickness of its straight part",
    unit: "mm",
    minutes: 15,
    how: "Needle out, micrometer a centimetre below the lowest groove. The tapers keep their shape from there.",
  },
  "carburettor.needle.groovePitchMm": {
    label: "Groove to groove",
    unit: "mm",
    minutes: 15,
    how: "Caliper from the first groove to the last, divided by one less than their number.",
  },
  "carburettor.fuelDropMm": {
    label: "Nozzle above the fuel",
    unit: "mm",
    minutes: 20,
    how: "Put a clear tube on the bowl’s drain and hold it up beside the bowl. Measure from the fuel in it to the top of the needle jet.",
  },
  "carburettor.mainAirJetMm": {
    label: "Main air jet",
    unit: "mm",
    minutes: 10,
    how: "The lower of the two small holes in the mouth on the filter’s side. Use a pin gauge, or read its number in hundredths.",
  },
  "carburettor.pilotAirJetMm": {
    label: "Pilot air jet",
    unit: "mm",
    minutes: 10,
    how: "The other small hole in the mouth on the filter’s side: pin gauge, or its number in hundredths.",
  },
  "baseline.setting.pilot": {
    label: "Pilot jet that was right",
    minutes: 15,
    how: "Bowl off: the number on the slotted jet beside the main one.",
  },
  "baseline.setting.screwTurns": {
    label: "Screw that was right",
    unit: "turns out",
    minutes: 2,
    how: "Turn it in until it just seats, counting; then out again by the same number. Never tighten it.",
  },
  "baseline.setting.main": {
    label: "Main jet that was right",
    minutes: 10,
    how: "Plug of the bowl off, or the bowl: the number on the hexagon in the middle.",
  },
  "baseline.air.temperatureK": {
    label: "Temperature of that day",
    of: "temperature",
    minutes: 1,
    how: "From your log book, or from a photo’s date and a weather archive.",
  },
  "baseline.air.pressurePa": {
    label: "Station pressure of that day",
    of: "pressure",
    minutes: 1,
    how: "True pressure at the place, not reduced to sea level as weather apps show it.",
  },
  "baseline.air.relativeHumidity": {
    label: "Humidity of that day",
    unit: "%",
    minutes: 1,
    how: "Dry summer day 35, drizzle 90. It counts least of the three.",
  },
};

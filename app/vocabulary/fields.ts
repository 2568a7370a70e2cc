/** How the fields of a rig are called in a sentence. */
import type { AssumedPath } from "#core/rig/assumed.ts";

const FIELDS: Readonly<Record<AssumedPath, string>> = {
  "engine.displacementCm3": "the displacement",
  "engine.idleRpm": "the idle speed",
  "engine.peakRpm": "the speed of peak power",
  "carburettor.boreMm": "the throttle bore",
  "carburettor.slide.idleLiftMm": "the slide’s lift at idle",
  "carburettor.slide.cutawayMm": "the cutaway",
  "carburettor.slide.restLiftMm": "the slide’s lift at rest",
  "carburettor.slide.depressionPa": "the slide’s depression",
  "carburettor.needleJetMm": "the needle jet",
  "carburettor.needle.profile": "the needle’s thickness",
  "carburettor.needle.groovePitchMm": "the groove pitch",
  "carburettor.fuelDropMm": "the fuel level",
  "carburettor.mainAirJetMm": "the main air jet",
  "carburettor.pilotAirJetMm": "the pilot air jet",
  "baseline.setting.pilot": "the pilot jet that was right",
  "baseline.setting.screwTurns": "the screw that was right",
  "baseline.setting.main": "the main jet that was right",
  "baseline.air.temperatureK": "the temperature of that day",
  "baseline.air.pressurePa": "the pressure of that day",
  "baseline.air.relativeHumidity": "the humidity of that day",
};

/** Fields that nobody assumes but anybody may change. */
const MORE_FIELDS: Readonly<Record<string, string>> = {
  "carburettor.needle.grooves": "the number of grooves",
  "carburettor.needle.referenceClip": "the groove the profile was measured at",
  "carburettor.screw": "what the screw meters",
  "carburettor.slide.kind": "the kind of slide",
  "carburettor.emulsionTubeDrilled": "the emulsion tube",
  "carburettor.stamp": "the number stamped on the carburettor",
  "carburettor.pumpBaseTurns": "the pump’s base",
  "carburettor.slideSpringMm": "the slide’s spring",
  "engine.strokes": "the strokes",
  "engine.cooling": "the cooling",
  "engine.cylinders": "the number of cylinders",
  "engine.revLimitRpm": "the rev limit",
  "baseline.setting.clip": "the groove that was right",
  "baseline.setting.shimMm": "the shims that were right",
  "baseline.proven": "how what was right is known",
  "fuel.ethanolPercent": "the ethanol in the petrol",
  "fuel.oilRatio": "the oil in the fuel",
  carburettors: "the number of carburettors",
  others: "the other carburettors",
};

export const fieldWords = (path: string): string => FIELDS[path] ?? MORE_FIELDS[path] ?? path;

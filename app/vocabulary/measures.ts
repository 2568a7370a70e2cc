/** What is measured on a walk-round, and in what. */
import type { MeasureName } from "#core/log/walk-round-names.ts";

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
    stepTopMm: { label: "Step above", unit: "mm" },
    stepBottomMm: { label: "Step below", unit: "mm" },
    stepLeftMm: { label: "Step left", unit: "mm" },
    stepRightMm: { label: "Step right", unit: "mm" },
    pilotGoMm: { label: "Pilot: pin that passes", unit: "mm" },
    pilotNoGoMm: { label: "Pilot: pin that does not", unit: "mm" },
    mainGoMm: { label: "Main: pin that passes", unit: "mm" },
    mainNoGoMm: { label: "Main: pin that does not", unit: "mm" },
    pumpTurns: { label: "Pump screw, out", unit: "turns" },
    slideSpringMm: { label: "Slide spring, free", unit: "mm" },
    slideDrillMm: { label: "Slide drilling", unit: "mm" },
  };

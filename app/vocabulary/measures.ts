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

/** The 250 cm³ two-stroke that the documentation works through: the fixture of tests, bench and demo. */
import { humidAir } from "../air/humid-air.ts";
import type { Rig } from "./carburettor.ts";
import { FUELS } from "./fuel.ts";

export const WORKED_EXAMPLE: Rig = {
  engine: { displacementM3: 250e-6, turnsPerCycle: 1, idleRpm: 1700, peakRpm: 8500 },
  carburettor: {
    boreM: 0.038,
    slide: { kind: "manual", idleLiftM: 0.002, cutawayM: 0.004 },
    needleJetM: 0.00268,
    needle: {
      profile: [
        { alongM: 0, diameterM: 0.00252 },
        { alongM: 0.011, diameterM: 0.00252 },
        { alongM: 0.024, diameterM: 0.00225 },
        { alongM: 0.04, diameterM: 0.00155 },
      ],
      grooves: 5,
      groovePitchM: 0.001,
      referenceClip: 3,
    },
    screw: "air",
    pilotNumbering: { by: "diameter" },
    mainNumbering: { by: "diameter" },
    fuelDropM: 0.012,
    emulsionTubeDrilled: false,
  },
  fuel: FUELS.petrol,
  baseline: {
    setting: { pilot: 45, screwTurns: 1.5, clip: 3, main: 165, shimM: 0 },
    air: humidAir({ temperatureK: 288.15, pressurePa: 101_325, relativeHumidity: 0.5 }),
  },
};

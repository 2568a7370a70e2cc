/** The demo's 250 two-stroke enduro: an invented machine, measured part by part. */
import type { Build, Header } from "#core/log/schema.ts";
import { TARGET_LAMBDA } from "#core/carburettor/zones.ts";

export const ENDURO_HEADER: Header = {
  id: "rig:demo-enduro",
  name: "250 enduro",
  plate: "27",
  simulated: true,
};

export const ENDURO_BUILD: Build = {
  machine: "motorcycle",
  engine: { strokes: 2, cooling: "liquid", displacementCm3: 250, cylinders: 1, idleRpm: 1700, peakRpm: 8500 },
  carburettor: {
    stamp: "E 38-2",
    boreMm: 38,
    slide: { kind: "manual", idleLiftMm: 2, cutawayMm: 4 },
    needleJetMm: 2.68,
    needle: {
      profile: [
        { alongMm: 0, diameterMm: 2.52 },
        { alongMm: 11, diameterMm: 2.52 },
        { alongMm: 24, diameterMm: 2.25 },
        { alongMm: 40, diameterMm: 1.55 },
      ],
      grooves: 5,
      groovePitchMm: 1,
      referenceClip: 3,
    },
    screw: "air",
    pilotNumbering: { by: "diameter" },
    mainNumbering: { by: "diameter" },
    fuelDropMm: 12,
    emulsionTubeDrilled: false,
  },
  fuel: { name: "petrol" },
  baseline: {
    setting: { pilot: 45, screwTurns: 1.5, clip: 3, main: 165, shimMm: 0 },
    air: { temperatureK: 288.15, pressurePa: 101_325, relativeHumidity: 0.5 },
    proven: "book",
  },
  box: {
    pilots: [40, 42, 45, 48, 50],
    mains: [148, 150, 152, 155, 158, 160, 162, 165, 168, 170, 172, 175],
    shimsMm: [],
  },
  plug: { thread: "M14", heatRange: 8, higherIs: "colder", gapMm: 0.6 },
  breathing: { pipe: "as made", filter: "foam, oiled", lid: "on" },
  targetLambda: TARGET_LAMBDA.twoStroke,
  usage: { idle: 10, low: 25, mid: 40, top: 25 },
  screwWindow: { kind: "aroundBase", turns: 1 },
};

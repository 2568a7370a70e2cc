/**
 * Default builds: usual values for a kind of machine, every one of them to be replaced by what is measured. They
 * only have to be possible; none is a maker's figure.
 */
import { TARGET_LAMBDA } from "../carburettor/zones.ts";
import type { Build } from "../log/schema.ts";
import { assumablePaths } from "./assumed.ts";
import { USUAL_SPREAD_PA } from "../balance/spread.ts";
import { needleFor } from "./needle-for-bore.ts";

export const STARTING_KINDS = [
  "twoStrokeBike",
  "fourStrokeAtv",
  "kart",
  "childTwoStroke",
  "methanolRacer",
  "twin",
  "four",
  "fourStrokeKart",
  "fourStrokeCable",
  "oldTwin",
] as const;
export type StartingKind = (typeof STARTING_KINDS)[number];

const STANDARD_DAY = { temperatureK: 288.15, pressurePa: 101_325, relativeHumidity: 0.5 };

const range = (from: number, to: number, by: number): number[] =>
  Array.from({ length: Math.round((to - from) / by) + 1 }, (_, i) => from + i * by);

/** A needle of the usual shape: straight, then two tapers. */
const needle = (straightMm: number): Build["carburettor"]["needle"] => ({
  profile: [
    { alongMm: 0, diameterMm: straightMm },
    { alongMm: 10, diameterMm: straightMm },
    { alongMm: 24, diameterMm: Math.round((straightMm - 0.28) * 100) / 100 },
    { alongMm: 40, diameterMm: Math.round((straightMm - 0.95) * 100) / 100 },
  ],
  grooves: 5,
  groovePitchMm: 1,
  referenceClip: 3,
});

const BIKE: Build = {
  machine: "motorcycle",
  engine: { strokes: 2, cooling: "liquid", displacementCm3: 250, cylinders: 1, idleRpm: 1700, peakRpm: 8500 },
  carburettor: {
    boreMm: 38,
    slide: { kind: "manual", idleLiftMm: 2, cutawayMm: 4 },
    needleJetMm: 2.68,
    needle: needle(2.52),
    screw: "air",
    pilotNumbering: { by: "diameter" },
    mainNumbering: { by: "diameter" },
    fuelDropMm: 12,
    emulsionTubeDrilled: false,
  },
  fuel: { name: "petrol", ethanolPercent: 5, oilRatio: 40 },
  baseline: {
    setting: { pilot: 45, screwTurns: 1.5, clip: 3, main: 165, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "guess",
  },
  box: { pilots: [42, 45, 48], mains: range(155, 182.5, 2.5), shimsMm: [] },
  targetLambda: TARGET_LAMBDA.twoStroke,
  usage: { idle: 10, low: 25, mid: 40, top: 25 },
  screwWindow: { kind: "aroundBase", turns: 1 },
};

const ATV: Build = {
  ...BIKE,
  machine: "atv",
  engine: { strokes: 4, cooling: "air", displacementCm3: 400, cylinders: 1, idleRpm: 1400, peakRpm: 7500 },
  carburettor: {
    ...BIKE.carburettor,
    boreMm: 34,
    slide: { kind: "vacuum", restLiftMm: 3, depressionPa: 2200 },
    needleJetMm: 2.6,
    needle: needle(2.45),
    screw: "fuel",
    emulsionTubeDrilled: true,
    mainAirJetMm: 0.8,
    pilotAirJetMm: 1.2,
  },
  fuel: { name: "petrol", ethanolPercent: 5 },
  // With a pilot jet much finer than its own opening a fuel screw would rule nothing.
  baseline: {
    setting: { pilot: 55, screwTurns: 2, clip: 3, main: 140, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "guess",
  },
  box: { pilots: [52, 55, 58], mains: range(130, 157.5, 2.5), shimsMm: [] },
  targetLambda: TARGET_LAMBDA.fourStrokeAir,
};

const KART: Build = {
  ...BIKE,
  machine: "kart",
  engine: { ...BIKE.engine, displacementCm3: 125, idleRpm: 2200, peakRpm: 12_000 },
  carburettor: {
    ...BIKE.carburettor,
    boreMm: 30,
    slide: { kind: "manual", idleLiftMm: 2, cutawayMm: 4 },
    needleJetMm: 2.66,
    needle: needle(2.48),
  },
  fuel: { name: "petrol", ethanolPercent: 5, oilRatio: 25 },
  baseline: {
    setting: { pilot: 60, screwTurns: 1.5, clip: 3, main: 150, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "guess",
  },
  box: { pilots: [58, 60, 62], mains: range(140, 166, 2), shimsMm: [] },
  usage: { idle: 5, low: 15, mid: 35, top: 45 },
};

const RACER: Build = {
  ...BIKE,
  engine: { strokes: 2, cooling: "air", displacementCm3: 65, cylinders: 1, idleRpm: 2000, peakRpm: 11_000 },
  carburettor: {
    ...BIKE.carburettor,
    boreMm: 24,
    slide: { kind: "manual", idleLiftMm: 1.6, cutawayMm: 3 },
    needleJetMm: 2.9,
    needle: needle(2.55),
  },
  fuel: { name: "methanol", oilRatio: 20 },
  baseline: {
    setting: { pilot: 60, screwTurns: 1.5, clip: 3, main: 240, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "guess",
  },
  box: { pilots: [55, 60, 65], mains: range(220, 275, 5), shimsMm: [] },
  targetLambda: TARGET_LAMBDA.methanol,
  usage: { idle: 10, low: 10, mid: 20, top: 60 },
};

/** A small machine for small riders: air-cooled, ridden half open most of the day. */
const CHILD: Build = {
  ...BIKE,
  engine: { strokes: 2, cooling: "air", displacementCm3: 50, cylinders: 1, idleRpm: 1800, peakRpm: 8500 },
  carburettor: {
    ...BIKE.carburettor,
    boreMm: 16,
    slide: { kind: "manual", idleLiftMm: 1.2, cutawayMm: 3 },
    needleJetMm: 2.1,
    needle: needle(1.98),
    fuelDropMm: 8,
  },
  baseline: {
    setting: { pilot: 42, screwTurns: 1.5, clip: 3, main: 80, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "guess",
  },
  box: { pilots: [40, 42, 45], mains: range(75, 95, 2.5), shimsMm: [] },
  usage: { idle: 15, low: 30, mid: 40, top: 15 },
};

/** Vacuum slides, one carburettor a cylinder, all on one shaft. */
const TWIN: Build = {
  ...ATV,
  machine: "motorcycle",
  engine: { ...ATV.engine, displacementCm3: 250, cylinders: 2, idleRpm: 1200, peakRpm: 8000 },
  carburettor: { ...ATV.carburettor, boreMm: 32, needle: needle(2.48) },
  carburettors: 2,
  baseline: {
    setting: { pilot: 38, screwTurns: 2.25, clip: 3, main: 120, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "guess",
  },
  box: { pilots: [35, 38, 40], mains: range(110, 137.5, 2.5), shimsMm: [] },
  usage: { idle: 15, low: 35, mid: 40, top: 10 },
};

const FOUR: Build = {
  ...TWIN,
  engine: { ...TWIN.engine, cooling: "liquid", displacementCm3: 150, cylinders: 4, peakRpm: 11_000 },
  carburettor: { ...TWIN.carburettor, boreMm: 34 },
  carburettors: 4,
  targetLambda: TARGET_LAMBDA.fourStrokeLiquid,
};

/** A small slide carburettor on a kart that is hired out or raced in a class of its own. */
const FOUR_STROKE_KART: Build = {
  ...KART,
  engine: { strokes: 4, cooling: "air", displacementCm3: 200, cylinders: 1, idleRpm: 1700, peakRpm: 6500 },
  carburettor: {
    ...KART.carburettor,
    boreMm: 22,
    slide: { kind: "manual", idleLiftMm: 1.4, cutawayMm: 3 },
    ...needleFor(BIKE.carburettor, 22 / BIKE.carburettor.boreMm),
    fuelDropMm: 9,
  },
  fuel: { name: "petrol", ethanolPercent: 5 },
  baseline: {
    setting: { pilot: 35, screwTurns: 1.5, clip: 3, main: 95, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "guess",
  },
  box: { pilots: [32, 35, 38], mains: range(85, 107.5, 2.5), shimsMm: [] },
  targetLambda: TARGET_LAMBDA.fourStrokeAir,
  usage: { idle: 5, low: 15, mid: 30, top: 50 },
};

/** The cable lifts the slide by itself: no depression, no rubber. */
const FOUR_STROKE_CABLE: Build = {
  ...BIKE,
  engine: { strokes: 4, cooling: "air", displacementCm3: 350, cylinders: 1, idleRpm: 1300, peakRpm: 7000 },
  carburettor: {
    ...BIKE.carburettor,
    boreMm: 30,
    slide: { kind: "manual", idleLiftMm: 1.8, cutawayMm: 3.5 },
    ...needleFor(BIKE.carburettor, 30 / BIKE.carburettor.boreMm),
    fuelDropMm: 10,
  },
  fuel: { name: "petrol", ethanolPercent: 5 },
  baseline: {
    setting: { pilot: 40, screwTurns: 1.5, clip: 3, main: 130, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "guess",
  },
  box: { pilots: [38, 40, 42], mains: range(120, 142.5, 2.5), shimsMm: [] },
  targetLambda: TARGET_LAMBDA.fourStrokeAir,
  usage: { idle: 15, low: 35, mid: 35, top: 15 },
};

/** Two of them, each on a cable of its own: balance comes before any jet. */
const OLD_TWIN: Build = {
  ...FOUR_STROKE_CABLE,
  engine: { ...FOUR_STROKE_CABLE.engine, displacementCm3: 325, cylinders: 2, idleRpm: 1000, peakRpm: 6500 },
  carburettor: {
    ...FOUR_STROKE_CABLE.carburettor,
    boreMm: 28,
    ...needleFor(BIKE.carburettor, 28 / BIKE.carburettor.boreMm),
  },
  carburettors: 2,
  sync: { linkage: "cables", vacuumSpreadPa: USUAL_SPREAD_PA },
};

const STARTING: Readonly<Record<StartingKind, Build>> = {
  twoStrokeBike: BIKE,
  fourStrokeAtv: ATV,
  kart: KART,
  childTwoStroke: CHILD,
  methanolRacer: RACER,
  twin: TWIN,
  four: FOUR,
  fourStrokeKart: FOUR_STROKE_KART,
  fourStrokeCable: FOUR_STROKE_CABLE,
  oldTwin: OLD_TWIN,
};

/** @returns usual values, all of them marked as assumed */
export const startingBuild = (kind: StartingKind): Build => ({
  ...STARTING[kind],
  assumed: assumablePaths(STARTING[kind]),
});

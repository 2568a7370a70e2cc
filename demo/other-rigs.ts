/** The other machines of the demo: invented, each with a story that shows another side of the job. */
import { TARGET_LAMBDA } from "#core/carburettor/zones.ts";
import type { Build } from "#core/log/schema.ts";
import type { StoryPlan } from "./story.ts";

const STANDARD_DAY = { temperatureK: 288.15, pressurePa: 101_325, relativeHumidity: 0.5 };
const QUAI_NORD = { place: "Quai Nord, paddock", elevationM: 8 };

const needle = (...points: readonly (readonly [number, number])[]): Build["carburettor"]["needle"] => ({
  profile: points.map(([alongMm, diameterMm]) => ({ alongMm, diameterMm })),
  grooves: 5,
  groovePitchMm: 1,
  referenceClip: 3,
});

const KART_BUILD: Build = {
  machine: "kart",
  engine: {
    strokes: 2,
    cooling: "liquid",
    displacementCm3: 125,
    cylinders: 1,
    idleRpm: 2200,
    peakRpm: 12_000,
    revLimitRpm: 14_500,
  },
  carburettor: {
    stamp: "K 30-1",
    boreMm: 30,
    slide: { kind: "manual", idleLiftMm: 2, cutawayMm: 4 },
    needleJetMm: 2.66,
    needle: needle([0, 2.48], [10, 2.48], [23, 2.2], [38, 1.55]),
    screw: "air",
    pilotNumbering: { by: "diameter" },
    mainNumbering: { by: "flow", referenceNumber: 100, referenceDiameterMm: 1 },
    fuelDropMm: 11,
    emulsionTubeDrilled: false,
  },
  fuel: { name: "petrol" },
  baseline: {
    setting: { pilot: 60, screwTurns: 1.5, clip: 3, main: 225, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "book",
  },
  box: {
    pilots: [58, 60, 62],
    mains: [205, 210, 215, 220, 225, 230, 235, 240],
    shimsMm: [0.5],
    drilled: [{ part: "main", stamped: 190, measuredMm: 1.47 }],
  },
  rules: { locked: [], noWashers: true, onePlug: true, floatMm: { from: 15.5, to: 16.5 } },
  plug: { thread: "M14", heatRange: 10, higherIs: "colder", gapMm: 0.6 },
  breathing: { pipe: "class pipe", filter: "noise box, two tubes", lid: "none" },
  targetLambda: TARGET_LAMBDA.twoStroke,
  usage: { idle: 5, low: 15, mid: 35, top: 45 },
  screwWindow: { kind: "aroundBase", turns: 1 },
};

export const KART: StoryPlan = {
  header: { id: "rig:demo-kart", name: "125 kart", plate: "41", simulated: true },
  build: KART_BUILD,
  described: "Class carburettor, sealed float range.",
  seed: 2,
  where: QUAI_NORD,
  lookWith: ["plug", "idleBench", "rideReport"],
  days: [
    {
      before: 0,
      happenings: [
        {
          at: "08:05",
          kind: "walkRound",
          found: {
            ignition: { measured: { plugGapMm: 0.6 } },
            cable: { measured: { cableSlackMm: 2.5 } },
            floatHeight: { measured: { floatLeftMm: 16, floatRightMm: 16 }, note: "Gasket off." },
            airLeaks: {
              measured: { stepTopMm: 0, stepBottomMm: 0.1 },
              note: "Flange lined up at the bottom edge.",
            },
            passages: { measured: { mainGoMm: 1.5, mainNoGoMm: 1.51 } },
            pump: { state: "skipped", note: "There is none." },
          },
        },
        { at: "09:10", kind: "air", weather: { celsius: 17, hPa: 1014, humidity: 0.74 } },
        { at: "09:15", kind: "follow", steps: 4 },
        { at: "11:00", kind: "note", text: "Second session: track warmer, wind off the sea." },
        { at: "11:05", kind: "air", weather: { celsius: 23, hPa: 1013, humidity: 0.6 } },
        { at: "11:10", kind: "follow", steps: 3 },
        {
          at: "12:20",
          kind: "parts",
          parts: [
            {
              kind: "needle",
              name: "two scratches",
              needle: needle([0, 2.5], [10, 2.5], [23, 2.21], [38, 1.55]),
            },
            { kind: "needle", name: "one scratch", needle: KART_BUILD.carburettor.needle },
            {
              kind: "needle",
              name: "early taper",
              needle: needle([0, 2.48], [8, 2.48], [22, 2.2], [38, 1.5]),
            },
            { kind: "needleJet", name: "the wide one", needleJetMm: 2.7 },
            { kind: "slide", name: "4.5", cutawayMm: 4.5 },
          ],
        },
        { at: "12:30", kind: "forecast" },
        {
          at: "12:32",
          kind: "heats",
          starts: [
            ["Practice", "09:00"],
            ["Qualifying", "10:10"],
            ["Heat 1", "11:30"],
            ["Heat 2", "13:45"],
            ["Heat 3", "15:10"],
            ["Final", "16:40"],
          ],
          minutes: 14,
        },
      ],
    },
  ],
};

const ATV_BUILD: Build = {
  machine: "atv",
  engine: { strokes: 4, cooling: "air", displacementCm3: 400, cylinders: 1, idleRpm: 1400, peakRpm: 7500 },
  carburettor: {
    stamp: "F 34-7",
    boreMm: 34,
    slide: { kind: "vacuum", restLiftMm: 3, depressionPa: 2200 },
    needleJetMm: 2.6,
    needle: needle([0, 2.45], [10, 2.45], [24, 2.17], [40, 1.5]),
    screw: "fuel",
    pilotNumbering: { by: "diameter" },
    mainNumbering: { by: "diameter" },
    fuelDropMm: 12,
    emulsionTubeDrilled: true,
    mainAirJetMm: 0.8,
    pilotAirJetMm: 1.2,
    pumpBaseTurns: 1.5,
  },
  fuel: { name: "petrol", ethanolPercent: 10 },
  baseline: {
    setting: { pilot: 40, screwTurns: 2, clip: 3, main: 140, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "ranWell",
  },
  box: { pilots: [38, 40, 42], mains: [135, 137.5, 140, 142.5, 145], shimsMm: [] },
  plug: { thread: "M12", heatRange: 8, higherIs: "colder", gapMm: 0.8 },
  breathing: { pipe: "as made", filter: "paper, as made", lid: "on" },
  targetLambda: TARGET_LAMBDA.fourStrokeAir,
  usage: { idle: 25, low: 40, mid: 30, top: 5 },
  screwWindow: { kind: "aroundBase", turns: 1 },
  assumed: ["carburettor.slide.depressionPa", "carburettor.needle.profile", "carburettor.fuelDropMm"],
};

/** Rich everywhere after standing: the choke's plunger does not seat. No jet cures that. */
export const ATV: StoryPlan = {
  header: { id: "rig:demo-atv", name: "400 farm ATV", plate: "8", simulated: true },
  build: ATV_BUILD,
  described: "Stood since autumn. Needle and level not measured yet.",
  seed: 3,
  fault: [-0.2, -0.07, -0.02],
  where: { place: "the yard, below Col de la Brume", elevationM: 420 },
  lookWith: ["plug", "lambda"],
  days: [
    {
      before: 0,
      happenings: [
        { at: "09:20", kind: "air", weather: { celsius: 12, hPa: 965, humidity: 0.66 } },
        { at: "09:25", kind: "looks", zones: ["idle", "low", "mid"] },
        { at: "10:12", kind: "symptom", symptom: "dropsLow" },
        { at: "10:12", kind: "answer", question: "chokeChangesNothing", is: "yes" },
        { at: "10:20", kind: "note", text: "Rich at the bottom, and it ran well before the winter." },
        {
          at: "10:25",
          kind: "walkRound",
          found: {
            ignition: { measured: { plugGapMm: 0.8 }, note: "New plug." },
            choke: {
              state: "stop",
              measured: { chokeSlackMm: 0 },
              findings: ["chokePartOpen"],
              note: "Plunger stays 2 mm off its seat, cable corroded.",
            },
            wetLevel: { measured: { wetLevelMm: 1.5 } },
            floatHeight: { state: "skipped" },
            passages: { state: "skipped" },
            pump: { measured: { pumpTurns: 1.5 } },
          },
        },
      ],
    },
  ],
};

const TWIN_BUILD: Build = {
  machine: "motorcycle",
  engine: {
    strokes: 4,
    cooling: "air",
    displacementCm3: 250,
    cylinders: 2,
    idleRpm: 1200,
    peakRpm: 8000,
    revLimitRpm: 9000,
  },
  carburettor: {
    stamp: "T 32-4",
    boreMm: 32,
    slide: { kind: "vacuum", restLiftMm: 3, depressionPa: 2200 },
    needleJetMm: 2.6,
    needle: needle([0, 2.48], [9, 2.48], [24, 2.24], [40, 1.7]),
    screw: "fuel",
    pilotNumbering: { by: "diameter" },
    mainNumbering: { by: "diameter" },
    fuelDropMm: 12,
    emulsionTubeDrilled: true,
    mainAirJetMm: 0.8,
    pilotAirJetMm: 1.2,
  },
  carburettors: 2,
  sync: { linkage: "shaft", vacuumSpreadPa: 2700, headerSpreadK: 30 },
  fuel: { name: "petrol", ethanolPercent: 10 },
  baseline: {
    setting: { pilot: 38, screwTurns: 2.25, clip: 3, main: 120, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "book",
  },
  box: { pilots: [36, 38, 40], mains: [115, 117.5, 120, 122.5, 125], shimsMm: [0.3, 0.6] },
  plug: { thread: "M12", heatRange: 8, higherIs: "colder", gapMm: 0.7 },
  breathing: { pipe: "two into one", filter: "paper", lid: "on" },
  targetLambda: TARGET_LAMBDA.fourStrokeAir,
  usage: { idle: 15, low: 35, mid: 40, top: 10 },
  screwWindow: { kind: "fixed", from: 1.5, to: 4 },
};

export const TWIN: StoryPlan = {
  header: { id: "rig:demo-twin", name: "500 twin", plate: "12", simulated: true },
  build: TWIN_BUILD,
  described: "Two carburettors alike, vacuum slides, one shaft.",
  seed: 29,
  cylinderOffsets: [0.02, -0.13],
  where: { place: "Col de la Brume, valley garage", elevationM: 380 },
  lookWith: ["plug", "lambda"],
  days: [
    {
      before: 0,
      happenings: [
        {
          at: "14:00",
          kind: "walkRound",
          found: {
            ignition: { measured: { plugGapMm: 0.7 }, note: "Same plug in both." },
            cable: {
              state: "notes",
              measured: { cableSlackMm: 3 },
              note: "Vacuum not balanced yet: gauges before jets.",
            },
            airLeaks: { state: "skipped", note: "Gauges first." },
            passages: { state: "skipped", note: "Needle-jet rings not looked at yet." },
            pump: { state: "skipped", note: "There is none." },
          },
        },
        { at: "14:25", kind: "air", weather: { celsius: 18, hPa: 969, humidity: 0.55 } },
        { at: "14:30", kind: "headers", celsius: [236, 181] },
        { at: "14:32", kind: "note", text: "Right pipe cold, and it shakes at idle. Gauges on." },
        { at: "14:35", kind: "balance", quarterTurns: 1 },
        { at: "14:50", kind: "note", text: "Better, not there yet. Cooled down, then again." },
        { at: "15:05", kind: "balance", quarterTurns: 12 },
        { at: "15:20", kind: "idleSpeed", rpm: 1210 },
        { at: "15:24", kind: "headers", celsius: [224, 211] },
        { at: "15:30", kind: "looks", zones: ["mid", "low"], perCylinder: true },
        { at: "15:56", kind: "answer", question: "onePipeDiffers", is: "yes" },
        { at: "15:57", kind: "answer", question: "beganWithPart", is: "yes" },
        { at: "16:10", kind: "follow", steps: 3 },
        { at: "16:50", kind: "looks", zones: ["mid", "low"], perCylinder: true },
      ],
    },
  ],
};

const RACER_BUILD: Build = {
  machine: "motorcycle",
  engine: { strokes: 2, cooling: "air", displacementCm3: 65, cylinders: 1, idleRpm: 2000, peakRpm: 11_000 },
  carburettor: {
    stamp: "M 24-9",
    boreMm: 24,
    slide: { kind: "manual", idleLiftMm: 1.6, cutawayMm: 3 },
    needleJetMm: 2.9,
    needle: needle([0, 2.55], [10, 2.55], [24, 2.27], [40, 1.6]),
    screw: "air",
    pilotNumbering: { by: "diameter" },
    mainNumbering: { by: "diameter" },
    fuelDropMm: 11,
    emulsionTubeDrilled: true,
    mainAirJetMm: 0.7,
    pilotAirJetMm: 1,
  },
  fuel: { name: "methanol" },
  baseline: {
    setting: { pilot: 60, screwTurns: 1.5, clip: 3, main: 240, shimMm: 0 },
    air: STANDARD_DAY,
    proven: "book",
  },
  heat: { staging: { targetK: 338, withinK: 4 }, rise: { fromK: 38, toK: 46 } },
  box: { pilots: [55, 60, 65], mains: [225, 230, 235, 240, 245, 250, 255], shimsMm: [] },
  plug: { thread: "M14", heatRange: 9, higherIs: "colder", gapMm: 0.5 },
  breathing: { pipe: "class pipe", filter: "foam", lid: "none" },
  targetLambda: TARGET_LAMBDA.methanol,
  usage: { idle: 10, low: 10, mid: 20, top: 60 },
  screwWindow: { kind: "aroundBase", turns: 1 },
};

export const RACER: StoryPlan = {
  header: { id: "rig:demo-racer", name: "65 methanol racer", plate: "3", simulated: true },
  build: RACER_BUILD,
  described: "A child’s racer on methanol: it burns with a flame one cannot see.",
  seed: 1,
  where: QUAI_NORD,
  // Alcohol leaves little colour: the head's temperature at the start line, and its rise to the finish.
  lookWith: ["temperature", "rideReport"],
  days: [
    {
      before: 0,
      happenings: [
        {
          at: "09:00",
          kind: "walkRound",
          found: {
            ignition: { measured: { plugGapMm: 0.5 } },
            breathing: { measured: { fuelFlowMlMin: 420 } },
            pump: { state: "skipped", note: "There is none." },
          },
        },
        { at: "09:40", kind: "air", weather: { celsius: 19, hPa: 1012, humidity: 0.7 } },
        { at: "09:45", kind: "follow", steps: 4 },
      ],
    },
  ],
};

/** Writes the two sample logger files that ship with the app: invented rides of the demo’s enduro. */
import { mkdirSync, writeFileSync } from "node:fs";
import { frameOf } from "../core/belief/frame.ts";
import type { Build } from "../core/log/schema.ts";
import { seededRandom } from "../core/numbers/random.ts";
import { ride, rideCsv, type LoggerStyle } from "../core/simulator/ride.ts";
import { ENDURO_BUILD } from "../demo/enduro-build.ts";

const FOLDER = "public/samples";

interface Sample {
  readonly name: string;
  readonly build: Build;
  /** true errors of the engine: pilot, needle, main, four zones, air */
  readonly truth: readonly number[];
  readonly rateHz: number;
  readonly seconds: number;
  readonly seed: number;
  readonly style: LoggerStyle;
}

const SAMPLES: readonly Sample[] = [
  {
    name: "ride-lambda",
    build: ENDURO_BUILD,
    truth: [0.02, -0.02, 0.05, 0, 0, 0, 0.01, 0],
    rateHz: 20,
    seconds: 156,
    seed: 71,
    style: { delimiter: ",", decimal: ".", time: "s" },
  },
  {
    name: "ride-afr-semicolon",
    build: ENDURO_BUILD,
    truth: [0, 0.03, -0.06, 0, 0, 0, 0, 0],
    rateHz: 25,
    seconds: 104,
    seed: 72,
    style: { delimiter: ";", decimal: ",", stoichiometric: 14.6, time: "ms" },
  },
];

function sampleText({ build, truth, rateHz, seconds, seed, style }: Sample): string {
  const frame = frameOf(build);
  const { setting } = build.baseline;
  const options = { seconds, rateHz, delayS: 0.26 };
  const rows = ride({ frame, truth }, build, setting, frame.air, options, seededRandom(seed));
  return rideCsv(rows, style);
}

mkdirSync(FOLDER, { recursive: true });
for (const sample of SAMPLES) {
  const text = sampleText(sample);
  writeFileSync(`${FOLDER}/${sample.name}.csv`, text);
  console.log(`${FOLDER}/${sample.name}.csv: ${Math.round(text.length / 1024)} KiB`);
}

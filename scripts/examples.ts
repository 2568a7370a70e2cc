/** The example files of docs/formats.md, made by the simulator and the worked example. */
import { LOG_VERSION } from "../core/log/schema.ts";
import { ENDURO_BUILD } from "../demo/enduro-build.ts";
import { demoMovedTo } from "../demo/told.ts";
import { TOLD_DAY, TOLD_OFFSET } from "../demo/told-day.ts";

const MOUNTAIN = { temperatureK: 303.15, relativeHumidity: 0.4, elevationM: 1500 };

const CASES = [
  { name: "pilot 48", setting: { pilot: 48 } },
  { name: "screw 2.0", setting: { screwTurns: 2 } },
  { name: "clip 4", setting: { clip: 4 } },
  { name: "clip 2", setting: { clip: 2 } },
  { name: "main 170", setting: { main: 170 } },
  { name: "one 0.3 mm shim", setting: { shimMm: 0.3 } },
  { name: "mountain", air: MOUNTAIN },
  { name: "cold", air: { temperatureK: 273.15, pressurePa: 101_325, relativeHumidity: 0.8 } },
  { name: "damp heat", air: { temperatureK: 308.15, pressurePa: 101_325, relativeHumidity: 0.9 } },
  { name: "mountain with main 152 and clip 2", setting: { main: 152, clip: 2 }, air: MOUNTAIN },
];

const text = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`;

/** @returns file name to text */
export function exampleFiles(): Record<string, string> {
  const [enduro] = demoMovedTo(TOLD_DAY, TOLD_OFFSET);
  return {
    "rig.json": text({ format: "tamis-shift", version: 1, build: ENDURO_BUILD, cases: CASES }),
    "log.json": text({
      format: "tamis",
      version: LOG_VERSION,
      savedAt: "2026-05-23T18:00:00+02:00",
      rigs: [enduro],
    }),
  };
}

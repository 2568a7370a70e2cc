/** Looks of the newer kinds, from the form's texts to the log. */
import { air, build, fit } from "../../core/__tests__/entries.ts";
import type { Reading } from "#core/log/schema.ts";
import { readingResult, readingWords } from "./readings.ts";
import { Preferences } from "./preferences.ts";
import { freshRig } from "#app/testing/rig.ts";
const units = Preferences.parse({});
beforeEach(() => freshRig([build(), air("0001", "08:30"), fit("0001", "08:40", 160)]));

describe("the words of each kind of look", () => {
  it.each<[Reading, string, string]>([
    [
      { type: "crown", zone: "top", crown: "island" },
      "Piston crown, full throttle (¾ to open)",
      "island, clean edges",
    ],
    [
      { type: "header", zone: "mid", colour: "black" },
      "Inside of the header, middle (¼ to ¾)",
      "black, sooty",
    ],
    [
      { type: "temperature", zone: "top", sensor: "head", temperatureK: 423.15, risenFromK: 353.15 },
      "Head, rise of the run, full throttle (¾ to open)",
      "+70 °C to 150.0 °C",
    ],
    [
      { type: "lambda", zone: "top", lambda: 0.87, sensor: "inside", logged: { seconds: 42, spread: 0.01 } },
      "λ, full throttle (¾ to open), sensor inside the pipe, 42.00 s logged",
      "λ 0.87",
    ],
    [
      {
        type: "plug",
        zone: "top",
        tone: "bone",
        cut: "clean",
        colderSteps: 0,
        used: true,
        made: { by: "laps", amount: 6 },
      },
      "Plug, full throttle (¾ to open), clean cut, after 6 laps, used before",
      "bone",
    ],
  ])("%#", (reading, what, result) => {
    expect(readingWords(reading)).toBe(what);
    expect(readingResult(reading, units, 14.6)).toBe(result);
  });
});

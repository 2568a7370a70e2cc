import { AirEntry } from "#core/log/schema.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { air } from "../../../core/__tests__/entries.ts";
import { AirForm, startTexts, takenTexts, type AirTexts } from "./form.ts";
import { heightWords, trendWords } from "./words.ts";

const metric = Preferences.parse({});
const imperial = Preferences.parse({ temperature: "°F", pressure: "inHg", length: "ft" });
const last = AirEntry.parse(air("0001", "08:30"));
const read = (change: Partial<AirTexts>) =>
  AirForm.parse({
    ...startTexts(metric, last),
    temperature: "24",
    humidity: "46",
    pressure: "863",
    ...change,
  });

describe("the air form", () => {
  it("opens with the place and height of last time, and numbers to be typed anew", () => {
    expect(startTexts(metric, last)).toMatchObject({
      temperature: "",
      pressure: "",
      elevation: "1380",
      place: "Col de la Brume",
    });
    expect(startTexts(imperial, last)).toMatchObject({
      temperatureUnit: "°F",
      pressureUnit: "inHg",
      elevation: "4528",
      elevationUnit: "ft",
    });
    expect(startTexts(metric, undefined)).toMatchObject({
      elevation: "",
      place: "",
      pressureKind: "station",
    });
  });

  it("reads points, commas, fractions and units that follow the number", () => {
    expect(read({ temperature: "24,5" }).temperatureK).toBeCloseTo(297.65, 9);
    expect(read({ temperature: "75 °F" }).temperatureK).toBeCloseTo(297.0389, 3);
    expect(read({ humidity: "46 %" }).humidity).toEqual({ kind: "relative", fraction: 0.46 });
    expect(read({ pressure: "25.48 inHg" }).pressure).toMatchObject({ kind: "station" });
    expect(read({ elevation: "4528 ft" }).elevationM).toBeCloseTo(1380.1, 1);
  });

  it("keeps where the satellites say it is to a hundred metres, and no place that is none", () => {
    const there = { latitude: "45.123456", longitude: "-1.987654", satelliteHeightM: "431.6" };
    expect(read(there).position).toEqual({ latitude: 45.123, longitude: -1.988, heightM: 432 });
    expect(read({ ...there, satelliteHeightM: "" }).position).toEqual({
      latitude: 45.123,
      longitude: -1.988,
    });
    expect(read({ latitude: "45", longitude: "" })).not.toHaveProperty("position");
    expect(read({ latitude: "451", longitude: "6" })).not.toHaveProperty("position");
    expect(read({ latitude: "north", longitude: "6" })).not.toHaveProperty("position");
  });

  it("is simulated for as long as a figure of the simulated station stands in it", () => {
    const texts = { ...startTexts(metric, last), temperature: "24", humidity: "46", pressure: "863" };
    const simulatedTexts = takenTexts(texts, ["temperature", "humidity", "pressure"]);
    expect(read({ simulatedTexts }).simulated).toBe(true);
    expect(read({ simulatedTexts, temperature: "25", humidity: "50" }).simulated).toBe(true);
    expect(read({ simulatedTexts, temperature: "25", humidity: "50", pressure: "870" })).not.toHaveProperty(
      "simulated",
    );
    const height = takenTexts({ ...texts, elevation: "402" }, ["elevation"]);
    expect(read({ simulatedTexts: height, elevation: "402" }).simulated).toBe(true);
    expect(read({ simulatedTexts: height, elevation: "380" })).not.toHaveProperty("simulated");
    expect(read({ simulatedTexts: '{"place":"x"}' })).not.toHaveProperty("simulated");
    expect(read({ simulatedTexts: "{" })).not.toHaveProperty("simulated");
    expect(read({})).not.toHaveProperty("simulated");
  });

  it("does not ask for a height beside a barometer, and takes none along", () => {
    expect(read({ elevation: "" })).not.toHaveProperty("elevationM");
  });

  it("keeps a wet bulb as a wet bulb: what follows is computed, never stored", () => {
    expect(read({ humidityKind: "wetBulb", humidity: "17" }).humidity).toEqual({
      kind: "wetBulb",
      temperatureK: 290.15,
    });
  });

  it("asks about sea level only above 300 m", () => {
    expect(
      AirForm.safeParse({ ...startTexts(metric, last), temperature: "24", humidity: "46", pressure: "1018" })
        .success,
    ).toBe(false);
    expect(read({ pressure: "1018", elevation: "120" }).pressure).toEqual({
      kind: "station",
      pressurePa: 101_800,
    });
  });

  it("says everything that is wrong at once", () => {
    const parsed = AirForm.safeParse({
      ...startTexts(metric, last),
      temperature: "x",
      humidity: "",
      pressure: "-3",
    });
    expect(parsed.error?.issues.map(({ path }) => path[0])).toEqual(["temperature", "humidity", "pressure"]);
  });
});

describe("the instruments of the air in words", () => {
  it("name a trend only once it is one", () => {
    expect(trendWords(undefined, "hPa")).toContain("after ten minutes");
    expect(trendWords(-30, "hPa")).toBe("steady");
    expect(trendWords(-180, "hPa")).toBe("falling 1.8 hPa an hour");
    expect(trendWords(340, "inHg")).toBe("rising 0.1 inHg an hour");
  });
  it("say what a height's error is worth on a barometer", () => {
    expect(heightWords(380, 6, metric)).toBe("380 ± 6 m, worth ± 0.69 hPa");
  });
});

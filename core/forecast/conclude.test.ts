/** What a forecast's file leaves unsaid is weighed, and asked where it stays doubtful and matters. */
import { stationPressureFromMean, stationPressureFromSetting } from "../air/barometer.ts";
import { concludeForecast } from "./conclude.ts";
import { rolesOf, unitInHead, zoneIn } from "./heads.ts";
import { readForecast } from "./read-forecast.ts";
import { tableOfJson, tableOfLines } from "./table.ts";
import type { KnownReading } from "./weigh.ts";

const clock = () => 120;
const HOURS = Array.from({ length: 24 }, (_, hour) => hour);
const warmth = (hour: number) => 12 + 6 * Math.cos((2 * Math.PI * (hour - 15)) / 24);
const at = (hour: number) => `2026-05-23 ${String(hour).padStart(2, "0")}:00`;
const NOON = Date.parse("2026-05-23T12:00+02:00");

/** A table of a day: heads, units beside them where given, and a row an hour. */
function day(heads: string, row: (hour: number) => string, units?: string) {
  const lines = [heads, ...(units === undefined ? [] : [units]), ...HOURS.map(row)];
  return tableOfLines(lines.map((line) => line.split(";")));
}
const conclude = (
  table: ReturnType<typeof day>,
  { elevationM = 40, readings = [] }: { elevationM?: number; readings?: readonly KnownReading[] } = {},
) => {
  const { mapping, conclusions } = concludeForecast(table, { elevationM, readings, clock });
  const of = (about: string) => conclusions.find((one) => one.about === about);
  return { mapping, temperature: of("temperature"), pressure: of("pressure"), time: of("time") };
};
const reading = (more: Partial<KnownReading>): KnownReading => ({ ms: NOON, temperatureK: 289, ...more });

describe("the head of a column", () => {
  it.each([
    ["Temperature of air (°C)", "°C"],
    ["temp_f", "°F"],
    ["Temperature, °F", "°F"],
    ["temperature of air", undefined],
    ["Air temperature [K]", "K"],
    ["pressure_msl hPa", "hPa"],
    ["barometer in mm Hg", "mmHg"],
    ["Relative humidity %", "%"],
    ["height of fog", undefined],
  ])("%j names %j", (head, unit) => expect(unitInHead(head)).toBe(unit));

  it.each([
    ["time (UTC+2)", 120],
    ["date, GMT-03:30", -210],
    ["valid UTC", 0],
    ["time", undefined],
    ["UTC+45", undefined],
  ])("%j names the clock %j", (head, minutes) => expect(zoneIn(head)).toBe(minutes));

  it("of the air itself wins over roads, wet bulbs, tendencies and what it feels like", () => {
    const names = [
      "date",
      "road surface temperature",
      "apparent temperature",
      "wet bulb temperature",
      "humidex",
      "temperature_850hPa",
      "temperature_80m",
      "temp",
      "temperature_2m",
      "pressure tendency",
      "surface pressure",
      "vapour pressure deficit",
      "relative humidity",
      "temperature_max",
    ];
    const found = rolesOf(names).map(({ role, column }) => `${role} ${names[column] ?? ""}`);
    expect(found).toEqual([
      "time date",
      "temperature temperature_2m",
      "station surface pressure",
      "humidity relative humidity",
    ]);
  });
});

describe("a temperature without a unit", () => {
  const unsaid = (celsius: (hour: number) => number) =>
    day("time;temperature;humidity", (hour) => `${at(hour)};${celsius(hour).toFixed(1)};60`);
  it("is asked where both readings can be, and is not where a reading of the day tells", () => {
    const winter = day(
      "time;temperature;humidity",
      (hour) => `${at(hour).replace("-05-", "-01-")};${warmth(hour)};60`,
    );
    expect(conclude(winter).temperature).toMatchObject({ asks: true });
    const january = Date.parse("2026-01-23T12:00+02:00");
    const told = conclude(winter, { readings: [reading({ ms: january, temperatureK: 273.15 + 16 })] });
    expect(told.temperature).toMatchObject({
      asks: false,
      is: { unit: "°C" },
      by: "readings",
      readMs: january,
    });
    const cold = conclude(winter, { readings: [reading({ ms: january, temperatureK: 273.15 - 9 })] });
    expect(cold.temperature).toMatchObject({ asks: false, is: { unit: "°F" } });
  });
  it("is known by figures that only one unit makes air of", () => {
    expect(conclude(unsaid((hour) => 32 + 1.8 * (warmth(hour) + 8))).temperature).toMatchObject({
      asks: false,
      is: { unit: "°F" },
      by: "figures",
    });
  });
  it("is asked where its figures are against what the head says", () => {
    const table = day("time;temp (K);humidity", (hour) => `${at(hour)};${warmth(hour)};60`);
    const { temperature } = conclude(table);
    expect(temperature?.asks).toBe(true);
    expect([temperature?.is, ...(temperature?.others ?? [])].map((use) => use?.unit)).toEqual(
      expect.arrayContaining(["°C", "K"]),
    );
  });
});

describe("a pressure", () => {
  const HIGH_M = 2000;
  const slp = 101_800;
  const own = (hour: number) => stationPressureFromMean(slp, HIGH_M, 273.15 + warmth(hour));
  const table = (head: string, hPa: (hour: number) => number) =>
    day(
      `time;temperature (°C);humidity (%);${head}`,
      (hour) => `${at(hour)};${warmth(hour)};60;${hPa(hour).toFixed(1)}`,
    );
  const barometer = [reading({ temperatureK: 273.15 + warmth(12), pressurePa: own(12), elevationM: HIGH_M })];

  it("that is called the sea's and holds the place's own figures is taken for the place's own, and asked where a storm could be that low", () => {
    const said = conclude(
      table("pressure msl (hPa)", (hour) => own(hour) / 100),
      { elevationM: HIGH_M },
    );
    // So low it is no storm's at the sea: there is nothing to ask.
    expect(said.pressure).toMatchObject({ is: { role: "station" }, by: "figures", asks: false });
    const lower = table("pressure msl (hPa)", () => 899);
    expect(conclude(lower, { elevationM: 1000 }).pressure).toMatchObject({
      is: { role: "station" },
      others: [{ role: "seaLevel" }],
      asks: true,
    });
  });
  it("reduced by the day or by the standard atmosphere is told apart by the barometer of the day, else asked", () => {
    const asked = conclude(
      table("sea level pressure (hPa)", () => slp / 100),
      { elevationM: HIGH_M },
    );
    expect(asked.pressure).toMatchObject({
      asks: true,
      is: { role: "seaLevel" },
      others: [{ role: "altimeter" }],
    });
    const told = conclude(
      table("sea level pressure (hPa)", () => slp / 100),
      { elevationM: HIGH_M, readings: barometer },
    );
    expect(told.pressure).toMatchObject({
      asks: false,
      is: { role: "seaLevel" },
      by: "readings",
      readMs: NOON,
    });
    // At the sea both are the same air.
    expect(conclude(table("sea level pressure (hPa)", () => slp / 100)).pressure).toMatchObject({
      asks: false,
    });
  });
  it("is called by its name where that is plain, and an altimeter's setting is reduced by the standard atmosphere", () => {
    const { mapping, pressure } = conclude(
      table("QNH (hPa)", () => 1018),
      { elevationM: HIGH_M },
    );
    expect(pressure).toMatchObject({ is: { role: "altimeter" }, by: "head", asks: false });
    const { hours } = readForecast(
      table("QNH (hPa)", () => 1018),
      { mapping, clock, elevationM: HIGH_M },
    );
    expect(hours[0]?.pressure).toEqual({
      kind: "station",
      pressurePa: stationPressureFromSetting(101_800, HIGH_M),
    });
  });
  it("in millimetres of mercury is known by its figures, and by its head in the mountains", () => {
    const mm = (pa: number) => pa / 133.3224;
    const low = table("pressure", () => mm(slp));
    expect(conclude(low).pressure).toMatchObject({ is: { unit: "mmHg" }, asks: false });
    const high = table("station pressure (mmHg)", (hour) => mm(own(hour)));
    expect(conclude(high, { elevationM: HIGH_M }).pressure).toMatchObject({
      is: { role: "station", unit: "mmHg" },
      asks: false,
    });
  });
});

describe("what stands beside the heads", () => {
  it("is a row of units", () => {
    const table = day(
      "time;temperature;humidity;pressure msl",
      (hour) => `${at(hour)};${32 + 1.8 * warmth(hour)};60;30.05`,
      ";°F;%;inHg",
    );
    const { mapping, temperature } = conclude(table);
    expect(temperature).toMatchObject({ by: "beside", asks: false });
    expect(mapping.map(({ unit }) => unit)).toEqual(["local", "°F", "%", "inHg"]);
  });
  it("is a service's units and its clock, in JSON and above a CSV's heads", () => {
    const json = tableOfJson(
      `{"utc_offset_seconds":-10800,"hourly_units":{"time":"iso8601","temperature":"°F"},"hourly":{"time":["2026-05-23T08:00","2026-05-23T09:00"],"temperature":[52,53],"dew_point":[41,41]}}`,
    );
    expect(conclude(json).mapping).toEqual([
      { role: "time", column: 0, unit: "UTC-03:00" },
      { role: "temperature", column: 1, unit: "°F" },
      { role: "dewPoint", column: 2, unit: "°F" },
    ]);
    const csv = tableOfLines([
      ["latitude", "longitude", "utc_offset_seconds"],
      ["45.1", "6.2", "0"],
      ["time", "temperature (°C)", "humidity (%)"],
      ...HOURS.map((hour) => [at(hour), String(warmth(hour)), "60"]),
    ]);
    expect(csv.rows).toHaveLength(24);
    expect(conclude(csv).time).toMatchObject({
      is: { unit: "UTC" },
      by: "beside",
      others: [{ unit: "local" }],
    });
  });
});

describe("times", () => {
  it("stand in two columns too: a day and its hour", () => {
    const table = day(
      "date;hour;temperature (°C);humidity (%)",
      (hour) => `23.05.2026;${hour};${warmth(hour)};60`,
    );
    const { mapping } = conclude(table);
    expect(mapping.slice(0, 2)).toEqual([
      { role: "time", column: 0, unit: "local" },
      { role: "hour", column: 1, unit: "" },
    ]);
    const { hours } = readForecast(table, { mapping, clock, elevationM: 40 });
    expect(hours).toHaveLength(24);
    expect(hours[14]?.at).toBe("2026-05-23T14:00:00+02:00");
  });
  it("of the 75th minute are none, and a true minus is a minus", () => {
    const table = day(
      "time;temperature (°C);humidity (%)",
      (hour) => `${hour === 5 ? "2026-05-23 05:75" : at(hour)};\u2212${hour / 10};60`,
    );
    const { mapping } = conclude(table);
    const { hours, notes } = readForecast(table, { mapping, clock, elevationM: 40 });
    expect(hours[10]?.temperatureK).toBeCloseTo(273.15 - 1.1, 6);
    expect(notes).toContain("1 of 24 rows could not be read and are left out.");
  });
});

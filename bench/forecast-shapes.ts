/**
 * Forecasts by shape: files as services and stations write them, generated, read as the screen reads them, and held
 * against the air they were made from. `npm run bench:forecasts [-- --seed 1 --shapes 400]`. Prints; asserts nothing.
 */
import { parseArgs } from "node:util";
import { humidAir } from "../core/air/humid-air.ts";
import { humidityFromDewPoint } from "../core/air/humidity.ts";
import { LAPSE_K_M, stationPressureFromMean } from "../core/air/barometer.ts";
import { forecastOf } from "../core/forecast/forecast.ts";
import { airOfWeather } from "../core/forecast/air-ahead.ts";
import { concludeForecast } from "../core/forecast/conclude.ts";
import type { KnownReading } from "../core/forecast/weigh.ts";
import { readForecast } from "../core/forecast/read-forecast.ts";
import { tableOfJson, tableOfLines } from "../core/forecast/table.ts";
import { seededRandom, type Random } from "../core/numbers/random.ts";

const { values } = parseArgs({
  options: { seed: { type: "string" }, shapes: { type: "string" }, show: { type: "boolean" } },
});
const SEED = Number(values.seed ?? 1);
const SHAPES = Number(values.shapes ?? 400);
const HOUR_MS = 3_600_000;
const PLACE_ZONE_MIN = 120;

interface Hour {
  readonly ms: number;
  readonly temperatureK: number;
  readonly dewPointK: number;
  readonly stationPa: number;
}

/** A day of weather at a height: the truth of a file. */
function weather(random: Random, elevationM: number): readonly Hour[] {
  const month = Math.floor(12 * random.uniform());
  const start = Date.UTC(2026, month, 1 + Math.floor(27 * random.uniform()), 22);
  const summer = Math.cos((2 * Math.PI * (month - 6.5)) / 12);
  const sea = 285 + 9 * summer + 4 * random.normal();
  const mean = Math.max(256, sea - LAPSE_K_M * elevationM);
  const swing = 3 + 4 * random.uniform();
  const slp = 101_500 + 700 * random.normal();
  const drift = 15 * random.normal();
  const damp = 2 + 8 * random.uniform();
  return Array.from({ length: 36 }, (_, h) => {
    const temperatureK = mean + swing * Math.cos((2 * Math.PI * (h - 15)) / 24);
    const stationPa = stationPressureFromMean(slp + drift * h, elevationM, temperatureK);
    return {
      ms: start + h * HOUR_MS,
      temperatureK,
      dewPointK: Math.min(temperatureK, mean - damp),
      stationPa,
    };
  });
}

/** What an altimeter is set to: the standard atmosphere's reduction, solved the other way round. */
const altimeterSetting = (stationPa: number, elevationM: number): number =>
  100 * ((stationPa / 100) ** 0.190263 + 8.417286e-5 * elevationM) ** (1 / 0.190263);
const meanSea = (stationPa: number, elevationM: number, temperatureK: number): number =>
  (stationPa / stationPressureFromMean(100_000, elevationM, temperatureK)) * 100_000;

const PA: Readonly<Record<string, number>> = { hPa: 100, inHg: 3386.389, mmHg: 133.3224, kPa: 1000, Pa: 1 };
const warm = (k: number, unit: string): string =>
  (unit === "K" ? k : unit === "°F" ? 32 + 1.8 * (k - 273.15) : k - 273.15).toFixed(1);
const press = (pa: number, unit: string): string =>
  (pa / (PA[unit] ?? 1)).toFixed({ hPa: 1, inHg: 2, mmHg: 1, kPa: 2, Pa: 0 }[unit] ?? 1);

interface Shape {
  readonly words: string;
  readonly text: string;
  readonly json: boolean;
  readonly wellFormed: boolean;
  readonly elevationM: number;
  readonly hours: readonly Hour[];
  readonly readings: readonly KnownReading[];
}

const pick = <T>(random: Random, all: readonly T[]): T => all[Math.floor(random.uniform() * all.length)] as T;

function shape(random: Random): Shape {
  const elevationM = pick(random, [40, 250, 600, 1380, 1910, 2450]);
  const hours = weather(random, elevationM);
  const metric = random.uniform() < 0.65;
  const tUnit = metric ? pick(random, ["°C", "°C", "°C", "K"]) : "°F";
  const pUnit = metric ? pick(random, ["hPa", "hPa", "hPa", "kPa", "mmHg", "Pa"]) : "inHg";
  const level = pick(random, ["mean", "mean", "station", "altimeter"] as const);
  const named = pick(random, ["exact", "exact", "exact", "sea level", "bare"] as const);
  const unitsAt = pick(random, ["brackets", "suffix", "beside", "beside", "none"] as const);
  const json = unitsAt !== "brackets" && random.uniform() < 0.5;
  const timing = pick(random, ["local", "zulu", "offset", "head", "seconds", "two", "epoch"] as const);
  const others = random.uniform() < 0.5;
  const comma = !json && random.uniform() < 0.15;
  const minus = random.uniform() < 0.3;
  const dew = random.uniform() < 0.5;
  const pressureName = {
    exact: { mean: "pressure_msl", station: "surface_pressure", altimeter: "QNH" }[level],
    "sea level": level === "station" ? "sea level pressure" : "sea level pressure",
    bare: "pressure",
  }[named];
  const clean = (text: string) => {
    const signed = minus ? text.replace(/^-/, "\u2212") : text;
    return comma ? signed.replace(/^(\D?\d+)\.(\d+)$/, "$1,$2") : signed;
  };
  const pascals = ({ stationPa, temperatureK }: Hour) =>
    level === "station"
      ? stationPa
      : level === "mean"
        ? meanSea(stationPa, elevationM, temperatureK)
        : altimeterSetting(stationPa, elevationM);
  const wall = (ms: number, zone: number) => new Date(ms + zone * 60_000).toISOString().slice(0, 16);
  const zone = timing === "seconds" || timing === "head" ? 0 : PLACE_ZONE_MIN;
  const timeCell = ({ ms }: Hour): string =>
    timing === "zulu"
      ? `${wall(ms, 0)}Z`
      : timing === "offset"
        ? `${wall(ms, -180)}-03:00`
        : timing === "epoch"
          ? String(ms / 1000)
          : timing === "two"
            ? wall(ms, zone).slice(0, 10)
            : wall(ms, zone);
  type Column = readonly [name: string, unit: string, cell: (hour: Hour, i: number) => string];
  const suffix: Readonly<Record<string, string>> = { "°C": "_C", "°F": "_F", K: "_K" };
  const columns: Column[] = [
    [timing === "head" ? "time (UTC)" : timing === "two" ? "date" : "time", "", timeCell],
    ...(timing === "two" ? [["hour", "", ({ ms }: Hour) => wall(ms, zone).slice(11, 13)] as const] : []),
    ...(others
      ? [
          [
            "road surface temperature",
            tUnit,
            ({ temperatureK }: Hour) => warm(temperatureK + 9, tUnit),
          ] as const,
          ["apparent_temperature", tUnit, ({ temperatureK }: Hour) => warm(temperatureK - 4, tUnit)] as const,
          ["temperature_850hPa", tUnit, ({ temperatureK }: Hour) => warm(temperatureK - 7, tUnit)] as const,
          ["wet bulb", tUnit, ({ temperatureK }: Hour) => warm(temperatureK - 3, tUnit)] as const,
          ["pressure tendency", pUnit, (_: Hour, i: number) => String((i % 5) / 10)] as const,
        ]
      : []),
    [
      pick(random, ["temperature_2m", "Temperature of air", "air temp", "temp"]),
      tUnit,
      ({ temperatureK }) => warm(temperatureK, tUnit),
    ],
    dew
      ? ["dew point", tUnit, ({ dewPointK }) => warm(dewPointK, tUnit)]
      : [
          "relative_humidity",
          "%",
          ({ temperatureK, dewPointK }) => (100 * humidityFromDewPoint(temperatureK, dewPointK)).toFixed(0),
        ],
    [pressureName, pUnit, (hour) => press(pascals(hour), pUnit)],
  ];
  const head = ([name, unit]: Column): string =>
    unit === "" || unitsAt === "none" || unitsAt === "beside"
      ? name
      : unitsAt === "brackets"
        ? `${name} (${unit})`
        : `${name}${suffix[unit] ?? ` ${unit}`}`;
  const known = random.uniform();
  const noon = hours[13];
  const read: KnownReading[] = noon
    ? [
        {
          ms: noon.ms + 10 * 60_000,
          temperatureK: noon.temperatureK + 1.2 * random.normal(),
          ...(known < 0.35 && { pressurePa: noon.stationPa + 200 * random.normal() }),
          elevationM,
        },
      ]
    : [];
  const cells = hours.map((hour, i) => columns.map(([, , cell]) => clean(cell(hour, i))));
  const names = columns.map(head);
  const units = columns.map(([, unit]) => unit);
  const words = `${elevationM} m, ${level} called ${pressureName}, ${tUnit} ${pUnit} ${unitsAt}, ${timing}${others ? ", others" : ""}${json ? ", json" : ""}${read.length > 0 && known < 0.6 ? ", read" : ""}`;
  const text = json
    ? JSON.stringify({
        latitude: 45,
        ...(timing === "seconds" && { utc_offset_seconds: 0 }),
        ...(unitsAt === "beside" && {
          hourly_units: Object.fromEntries(names.map((name, i) => [name, units[i]])),
        }),
        hourly: Object.fromEntries(
          names.map((name, at) => [
            name,
            cells.map((row) => (Number.isFinite(Number(row[at])) ? Number(row[at]) : row[at])),
          ]),
        ),
      })
    : [
        ...(timing === "seconds"
          ? [
              ["latitude", "longitude", "utc_offset_seconds"],
              ["45.1", "6.2", "0"],
            ]
          : []),
        names,
        ...(unitsAt === "beside" ? [units] : []),
        ...cells,
      ]
        .map((row) => row.join(";"))
        .join("\n");
  return {
    words,
    text,
    json,
    wellFormed: unitsAt !== "none" && named === "exact",
    elevationM,
    hours,
    readings: known < 0.6 ? read : [],
  };
}

const density = (temperatureK: number, dewPointK: number, pressurePa: number): number =>
  humidAir({ temperatureK, pressurePa, relativeHumidity: humidityFromDewPoint(temperatureK, dewPointK) })
    .dryDensityKgM3;

/** @returns how far the air is off at the worst hour, as a share */
function worst({ text, json, elevationM, hours, readings }: Shape): { off: number; asks: boolean } {
  const table = json ? tableOfJson(text) : tableOfLines(text.split("\n").map((line) => line.split(";")));
  const clock = () => PLACE_ZONE_MIN;
  const { mapping, conclusions } = concludeForecast(table, { elevationM, readings, clock });
  const asks = conclusions.some((one) => one.asks);
  const read = readForecast(table, { mapping, clock, elevationM });
  const at = hours[0]?.ms ?? 0;
  const forecast = forecastOf({ at: new Date(at).toISOString(), elevationM, hours: [...read.hours] });
  const off = hours.map(({ ms, temperatureK, dewPointK, stationPa }) => {
    const said = airOfWeather(forecast.at(ms, elevationM)).dryDensityKgM3;
    return Math.abs(said / density(temperatureK, dewPointK, stationPa) - 1);
  });
  return { off: Math.max(...off), asks };
}

const random = seededRandom(SEED);
const count = { right: 0, asked: 0, wrong: 0, refused: 0, wellFormed: 0, askedWellFormed: 0 };
for (let i = 0; i < SHAPES; i += 1) {
  const one = shape(random);
  if (one.wellFormed) count.wellFormed += 1;
  let said: keyof typeof count = "refused";
  let note: string;
  try {
    const { off, asks } = worst(one);
    said = asks ? "asked" : off > 0.01 ? "wrong" : "right";
    note = `${(100 * off).toFixed(1)} %`;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    note = error.message;
  }
  count[said] += 1;
  if (said === "asked" && one.wellFormed) count.askedWellFormed += 1;
  if ((said === "wrong" || said === "refused" || (said === "asked" && one.wellFormed)) && values.show)
    console.log(said, note, one.words);
}
console.log(
  `${SHAPES} shapes, seed ${SEED}: right ${count.right}, asked ${count.asked}, silently wrong ${count.wrong}, refused ${count.refused}; of ${count.wellFormed} well-formed ${count.askedWellFormed} asked`,
);

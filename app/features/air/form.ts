/** The air as typed: texts with units in, what the log keeps out; used by the form and by its action. */
import * as z from "zod/mini";
import { looksLikeSeaLevel, stationPressureFromSetting } from "#core/air/barometer.ts";
import {
  ELEVATION_DOMAIN_M,
  PRESSURE_DOMAIN_PA,
  SEA_LEVEL_DOMAIN_PA,
  TEMPERATURE_DOMAIN_K,
} from "#core/units/domains.ts";
import { Position, type AirEntry } from "#core/log/schema.ts";
import { refusalOf } from "#core/units/guard.ts";
import { humidAirFromLog } from "#core/rig/from-build.ts";
import { readQuantity, type QuantityKind, type UnitOf } from "#core/units/quantity.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { sayIssue } from "#app/ui/say-issue.ts";
import { formatNumber, formatQuantity } from "#app/vocabulary/numerals.ts";

/** What the log keeps of a reading, without id and time. */
export type AirMeasured = Pick<
  AirEntry,
  "temperatureK" | "humidity" | "pressure" | "place" | "elevationM" | "position" | "simulated"
>;

export const AirTexts = z.object({
  temperature: z.string(),
  temperatureUnit: z.enum(["°C", "°F"]),
  humidityKind: z.enum(["relative", "dewPoint", "wetBulb"]),
  humidity: z.string(),
  pressureKind: z.enum(["station", "seaLevel", "standard"]),
  pressure: z.string(),
  pressureUnit: z.enum(["hPa", "kPa", "inHg", "mmHg"]),
  /** "it really is the station's", said by the tuner after the question */
  pressureSure: z.enum(["yes", "no"]),
  elevation: z.string(),
  elevationUnit: z.enum(["m", "ft"]),
  place: z.string().check(z.trim(), z.maxLength(60, "At most 60 characters.")),
  /** where the satellites say it is, and how high; empty where they were not asked */
  latitude: z.string().check(z.maxLength(40)),
  longitude: z.string().check(z.maxLength(40)),
  satelliteHeightM: z.string().check(z.maxLength(40)),
  /** the texts that stand-ins filled in, by field: while one of them stands, no instrument was read */
  simulatedTexts: z.string().check(z.maxLength(200)),
});
export type AirTexts = z.infer<typeof AirTexts>;

/** What a stand-in can fill in. */
const Taken = z.partialRecord(z.enum(["temperature", "humidity", "pressure", "elevation"]), z.string());
type Taken = z.infer<typeof Taken>;

function takenOf({ simulatedTexts }: AirTexts): Taken {
  try {
    return Taken.parse(simulatedTexts === "" ? {} : JSON.parse(simulatedTexts));
  } catch {
    return {};
  }
}

/** @returns what marks a form as filled in by stand-ins: these fields besides those that were */
export const takenTexts = (texts: AirTexts, names: readonly (keyof Taken)[]): string =>
  JSON.stringify({
    ...takenOf(texts),
    ...Object.fromEntries(names.map((name) => [name, texts[name]])),
  });

const isSimulated = (texts: AirTexts): boolean =>
  Object.entries(takenOf(texts)).some(([name, text]) => text !== "" && texts[name as keyof Taken] === text);

/** A hundred metres are near enough to know a place again; more of it is nobody's business. */
const KEPT_DEGREES = 1000;

function positionOf({ latitude, longitude, satelliteHeightM }: AirTexts): AirEntry["position"] {
  if (latitude === "" || longitude === "") return undefined;
  const [north, east] = [latitude, longitude].map(
    (text) => Math.round(Number(text) * KEPT_DEGREES) / KEPT_DEGREES,
  );
  const read = Position.safeParse({
    latitude: north,
    longitude: east,
    ...(satelliteHeightM !== "" && { heightM: Math.round(Number(satelliteHeightM)) }),
  });
  return read.data;
}

const RANGES = {
  temperature: TEMPERATURE_DOMAIN_K,
  pressure: PRESSURE_DOMAIN_PA,
  seaLevel: SEA_LEVEL_DOMAIN_PA,
  length: ELEVATION_DOMAIN_M,
  humidity: { min: 0, max: 1 },
} as const;

interface Field<K extends QuantityKind> {
  readonly name: keyof AirTexts;
  readonly label: string;
  readonly text: string;
  readonly kind: K;
  readonly unit: UnitOf<K>;
  readonly range: { readonly min: number; readonly max: number };
}

const READ_PROBLEMS = {
  empty: "is missing",
  notANumber: "is not a number",
  twoMarks: "has a comma and a point; use one of them",
} as const;

/** @returns SI value, or nothing after saying why on the field */
function readField<K extends QuantityKind>(ctx: z.core.ParsePayload, field: Field<K>): number | undefined {
  const { name, label, text, kind, unit, range } = field;
  const say = (message: string) => {
    sayIssue(ctx, message, [name]);
    return undefined;
  };
  const read = readQuantity(kind, text, unit);
  if (!read.ok) {
    if (read.reason === "unknownUnit")
      return say(`${label}: the unit “${read.text}” is not known here; type it in ${unit}.`);
    return say(`${label} ${READ_PROBLEMS[read.reason]}.`);
  }
  if (read.valueSI >= range.min && read.valueSI <= range.max) return read.valueSI;
  const [low, high] = [formatNumber(kind, range.min, unit), formatQuantity(kind, range.max, unit)];
  return say(
    `${label} must be ${low} to ${high}; this is ${formatQuantity(kind, read.valueSI, unit)}. Is the unit right?`,
  );
}

function readHumidity(ctx: z.core.ParsePayload, texts: AirTexts): AirMeasured["humidity"] | undefined {
  const common = { name: "humidity", text: texts.humidity } as const;
  if (texts.humidityKind === "relative") {
    const field = {
      ...common,
      label: "Humidity",
      kind: "humidity",
      unit: "%",
      range: RANGES.humidity,
    } as const;
    const fraction = readField(ctx, field);
    return fraction === undefined ? undefined : { kind: "relative", fraction };
  }
  const label = texts.humidityKind === "dewPoint" ? "Dew point" : "Wet bulb";
  const field = {
    ...common,
    label,
    kind: "temperature",
    unit: texts.temperatureUnit,
    range: RANGES.temperature,
  } as const;
  const temperatureK = readField(ctx, field);
  return temperatureK === undefined ? undefined : { kind: texts.humidityKind, temperatureK };
}

function readPressure(
  ctx: z.core.ParsePayload,
  texts: AirTexts,
  elevationM: number | undefined,
): AirMeasured["pressure"] | undefined {
  if (texts.pressureKind === "standard") return { kind: "standard" };
  const range = texts.pressureKind === "station" ? RANGES.pressure : RANGES.seaLevel;
  const pressurePa = readField(ctx, {
    name: "pressure",
    label: "Pressure",
    text: texts.pressure,
    kind: "pressure",
    unit: texts.pressureUnit,
    range,
  });
  if (pressurePa === undefined) return undefined;
  if (texts.pressureKind === "seaLevel") return { kind: "seaLevel", pressurePa };
  if (elevationM !== undefined && looksLikeSeaLevel(pressurePa, elevationM) && texts.pressureSure !== "yes") {
    const here = formatQuantity(
      "pressure",
      stationPressureFromSetting(pressurePa, elevationM),
      texts.pressureUnit,
    );
    sayIssue(
      ctx,
      `At ${formatQuantity("length", elevationM, texts.elevationUnit)} a barometer shows about ${here}. This looks like sea-level pressure, as weather apps show it.`,
      ["pressure"],
    );
    return undefined;
  }
  return { kind: "station", pressurePa };
}

function readElevation(ctx: z.core.ParsePayload, texts: AirTexts): number | undefined {
  if (texts.pressureKind === "station" && texts.elevation.trim() === "") return undefined;
  return readField(ctx, {
    name: "elevation",
    label: "Height",
    text: texts.elevation,
    kind: "length",
    unit: texts.elevationUnit,
    range: RANGES.length,
  });
}

/** Instruments that do not belong together, e.g. a dew point above the temperature. */
function checkTogether(ctx: z.core.ParsePayload, measured: AirMeasured): boolean {
  const refusal = refusalOf(() => humidAirFromLog(measured));
  if (!refusal) return true;
  if (refusal.field.startsWith("pressure"))
    sayIssue(ctx, "No engine runs in the air that this pressure and height give. Check both.", ["pressure"]);
  else
    sayIssue(
      ctx,
      "These two temperatures do not fit together. The dew point or wet bulb is never above the air, and never that far below it.",
      ["humidity"],
    );
  return false;
}

/** Parses the texts of the form; every problem names its field and what to do. */
export const AirForm = z.pipe(
  AirTexts,
  z.transform((texts, ctx): AirMeasured => {
    const temperatureK = readField(ctx, {
      name: "temperature",
      label: "Temperature",
      text: texts.temperature,
      kind: "temperature",
      unit: texts.temperatureUnit,
      range: RANGES.temperature,
    });
    const humidity = readHumidity(ctx, texts);
    const elevationM = readElevation(ctx, texts);
    const pressure = readPressure(ctx, texts, elevationM);
    const incomplete = ctx.issues.length > 0;
    if (incomplete || temperatureK === undefined || humidity === undefined || pressure === undefined)
      return z.NEVER;
    const position = positionOf(texts);
    const measured = {
      temperatureK,
      humidity,
      pressure,
      place: texts.place,
      ...(elevationM !== undefined && { elevationM }),
      ...(position && { position }),
      ...(isSimulated(texts) && { simulated: true }),
    };
    return checkTogether(ctx, measured) ? measured : z.NEVER;
  }),
);

/** @returns the form as it opens: units as liked, place and height as last time, numbers to be typed anew */
export function startTexts(preferences: Preferences, last: AirEntry | undefined): AirTexts {
  const { temperature, pressure, length } = preferences;
  return {
    temperature: "",
    temperatureUnit: temperature,
    humidityKind: last?.humidity.kind ?? "relative",
    humidity: "",
    pressureKind: last?.pressure.kind ?? "station",
    pressure: "",
    pressureUnit: pressure,
    pressureSure: "no",
    elevation: last?.elevationM === undefined ? "" : formatNumber("length", last.elevationM, length),
    elevationUnit: length,
    place: last?.place ?? "",
    latitude: "",
    longitude: "",
    satelliteHeightM: "",
    simulatedTexts: "",
  };
}

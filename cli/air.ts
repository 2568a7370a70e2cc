/** `air`: what the air is, from temperature, pressure and one measure of humidity. */
import { densityAltitude, powerLeft } from "#core/air/air-worth.ts";
import { humidAir } from "#core/air/humid-air.ts";
import { airStateFromLog } from "#core/rig/from-build.ts";
import type { AirEntry } from "#core/log/schema.ts";
import { readQuantity, type QuantityKind, type UnitOf } from "#core/units/quantity.ts";
import { BadInput, readArguments } from "./input.ts";

type Values = Readonly<Record<string, string | undefined>>;

function quantity<K extends QuantityKind>(
  values: Values,
  name: string,
  kind: K,
  usual: UnitOf<K>,
): number | undefined {
  const text = values[name];
  if (text === undefined) return undefined;
  const read = readQuantity(kind, text, usual);
  if (!read.ok)
    throw new BadInput(`--${name} must be a number with or without a unit (${usual}), got "${text}"`);
  return read.valueSI;
}

function humidityOf(values: Values): AirEntry["humidity"] {
  const fraction = quantity(values, "humidity", "humidity", "%");
  const dewPoint = quantity(values, "dew-point", "temperature", "°C");
  const wetBulb = quantity(values, "wet-bulb", "temperature", "°C");
  if ([fraction, dewPoint, wetBulb].filter((value) => value !== undefined).length !== 1)
    throw new BadInput("air needs exactly one of --humidity (%), --dew-point (°C), --wet-bulb (°C)");
  if (fraction !== undefined) return { kind: "relative", fraction };
  if (dewPoint !== undefined) return { kind: "dewPoint", temperatureK: dewPoint };
  return { kind: "wetBulb", temperatureK: wetBulb ?? NaN };
}

function pressureOf(values: Values): AirEntry["pressure"] {
  const station = quantity(values, "pressure", "pressure", "Pa");
  const seaLevel = quantity(values, "sea-level-pressure", "pressure", "Pa");
  if (station !== undefined && seaLevel !== undefined)
    throw new BadInput("air takes --pressure or --sea-level-pressure, not both");
  if (station !== undefined) return { kind: "station", pressurePa: station };
  if (seaLevel !== undefined) return { kind: "seaLevel", pressurePa: seaLevel };
  if (values["elevation"] === undefined)
    throw new BadInput(
      "air needs --pressure (Pa), or --elevation (m) with or without --sea-level-pressure (Pa)",
    );
  return { kind: "standard" };
}

/** @returns the air in SI; @throws {BadInput | RangeError} on bad input */
export function airCommand(args: string[]): unknown {
  const { values, positionals } = readArguments(args, [
    "temp",
    "pressure",
    "humidity",
    "dew-point",
    "wet-bulb",
    "elevation",
    "sea-level-pressure",
  ]);
  if (positionals.length > 0) throw new BadInput(`air takes options only, got "${positionals.join(" ")}"`);
  const temperatureK = quantity(values, "temp", "temperature", "°C");
  if (temperatureK === undefined) throw new BadInput("air needs --temp (°C)");
  const elevationM = quantity(values, "elevation", "length", "m");
  const air = humidAir(
    airStateFromLog({ temperatureK, humidity: humidityOf(values), pressure: pressureOf(values), elevationM }),
  );
  return { ...air, densityAltitudeM: densityAltitude(air.densityKgM3), powerLeft: powerLeft(air) };
}

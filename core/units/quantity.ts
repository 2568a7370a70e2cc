/**
 * Parses and formats quantities; the only place that knows °F, inHg and feet. Everything behind it is SI.
 * Conversion factors: NIST SP 811 (2008), appendix B.8.
 */
import { readTypedNumber } from "./typed-number.ts";

interface Unit {
  /** SI value = number * scale + offset */
  readonly scale: number;
  readonly offset: number;
  /** decimals shown */
  readonly decimals: number;
  /** what people type for it, lower case, without spaces */
  readonly spellings: readonly string[];
}

const unit = (scale: number, decimals: number, spellings: string[], offset = 0): Unit => ({
  scale,
  offset,
  decimals,
  spellings,
});

export const UNITS = {
  temperature: {
    "°C": unit(1, 1, ["°c", "c", "degc"], 273.15),
    "°F": unit(5 / 9, 0, ["°f", "f", "degf"], 273.15 - 160 / 9),
    K: unit(1, 1, ["k"]),
  },
  pressure: {
    hPa: unit(100, 0, ["hpa", "mbar", "mb"]),
    kPa: unit(1000, 1, ["kpa"]),
    Pa: unit(1, 0, ["pa"]),
    inHg: unit(3386.389, 2, ["inhg", '"hg', "in"]),
    mmHg: unit(133.3224, 0, ["mmhg", "torr"]),
  },
  speed: {
    "km/h": unit(1 / 3.6, 0, ["km/h", "kmh", "kph"]),
    mph: unit(0.44704, 0, ["mph"]),
    "m/s": unit(1, 1, ["m/s"]),
  },
  /** how far below the air outside, as vacuum gauges are marked */
  vacuum: {
    kPa: unit(1000, 1, ["kpa"]),
    cmHg: unit(1333.224, 1, ["cmhg"]),
    inHg: unit(3386.389, 1, ["inhg", '"hg', "in"]),
    mbar: unit(100, 0, ["mbar", "mb", "hpa"]),
  },
  length: {
    m: unit(1, 0, ["m"]),
    ft: unit(0.3048, 0, ["ft", "'"]),
    mm: unit(0.001, 2, ["mm"]),
  },
  humidity: {
    "%": unit(0.01, 0, ["%", "rh", "%rh"]),
  },
} as const satisfies Record<string, Record<string, Unit>>;

export type QuantityKind = keyof typeof UNITS;
export type UnitOf<K extends QuantityKind> = keyof (typeof UNITS)[K] & string;

export type ReadQuantity =
  | { ok: true; valueSI: number; unit: string }
  | { ok: false; reason: "empty" | "notANumber" | "twoMarks" | "unknownUnit"; text: string };

function unitTable(kind: QuantityKind): Readonly<Record<string, Unit>> {
  return UNITS[kind];
}

function findUnit(kind: QuantityKind, name: string): Unit {
  const found = unitTable(kind)[name];
  if (!found) throw new RangeError(`unit must be one of ${Object.keys(UNITS[kind]).join(", ")}, got ${name}`);
  return found;
}

/** Rounded to nine decimals: -30 °C must be 243.15 K, not a hair below the range that begins there. */
const convert = (value: number, { scale, offset }: Unit): number =>
  Math.round((value * scale + offset) * 1e9) / 1e9;

/** @returns SI value of a number given in a unit; @throws {RangeError} if the unit is not of this kind */
export function toSI<K extends QuantityKind>(kind: K, value: number, unitName: UnitOf<K>): number {
  return convert(value, findUnit(kind, unitName));
}

/** @returns the number shown in that unit for an SI value; the inverse of {@link toSI} */
export function fromSI<K extends QuantityKind>(kind: K, valueSI: number, unitName: UnitOf<K>): number {
  const { scale, offset } = findUnit(kind, unitName);
  return (valueSI - offset) / scale;
}

/** @returns the number without its unit, with the decimals usual for it, e.g. `"24.0"` */
export function formatNumber<K extends QuantityKind>(kind: K, valueSI: number, unitName: UnitOf<K>): string {
  const { decimals } = findUnit(kind, unitName);
  return fromSI(kind, valueSI, unitName)
    .toFixed(decimals)
    .replace(/^-(0(\.0+)?)$/, "$1");
}

/** @returns the number with its unit, e.g. `"24.0 °C"` */
export function formatQuantity<K extends QuantityKind>(
  kind: K,
  valueSI: number,
  unitName: UnitOf<K>,
): string {
  return `${formatNumber(kind, valueSI, unitName)} ${unitName}`;
}

/**
 * Reads what was typed: a number, then perhaps a unit. Without one the usual unit is meant.
 * @example readQuantity("pressure", "25,3 inHg", "hPa") // => { ok: true, valueSI: 85675.6, unit: "inHg" }
 */
export function readQuantity<K extends QuantityKind>(kind: K, text: string, usual: UnitOf<K>): ReadQuantity {
  const parts = /^(.*?[\d¼½¾⅛⅜⅝⅞⅓⅔.,])?\s*([^\d\s.,][^\d]*)?$/u.exec(text.trim());
  if (!parts) return { ok: false, reason: "notANumber", text };
  const number = readTypedNumber(parts[1] ?? "");
  const suffix = (parts[2] ?? "").replace(/\s+/g, "").toLowerCase();
  if (!number.ok) return { ok: false, reason: suffix === "" ? number.reason : "notANumber", text };
  if (suffix === "") return { ok: true, valueSI: toSI(kind, number.value, usual), unit: usual };
  const found = Object.entries(unitTable(kind)).find(([, candidate]) => candidate.spellings.includes(suffix));
  if (!found) return { ok: false, reason: "unknownUnit", text: suffix };
  return { ok: true, valueSI: convert(number.value, found[1]), unit: found[0] };
}

/** Temperatures as typed, with this rig's own targets; a figure in the wrong unit is offered the other one. */
import * as z from "zod/mini";
import { HEAT_SENSORS, type HeatSensor } from "#core/log/parts.ts";
import type { Zone } from "#core/carburettor/zones.ts";
import type { Build, Reading } from "#core/log/schema.ts";
import { fromSI, toSI } from "#core/units/quantity.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { noNumber } from "#app/vocabulary/bounds.ts";

type Unit = HeatSent["unit"];
type Heat = NonNullable<Build["heat"]>;

const Text = z.string().check(z.maxLength(20));
/** Untouched it shows what the rig says, and that stands. */
const Target = z.optional(Text);
export const HeatTyped = z.object({
  sensor: z.enum(HEAT_SENSORS),
  unit: z.enum(["°C", "°F"]),
  /** of the exhaust gas */
  exhaust: Text,
  /** of the head at the start line, and at the finish */
  staging: Text,
  finish: Text,
  exhaustTarget: Target,
  exhaustWithin: Target,
  stagingTarget: Target,
  stagingWithin: Target,
  riseFrom: Target,
  riseTo: Target,
});
type HeatTyped = z.output<typeof HeatTyped>;
export type HeatSent = { readonly [K in keyof HeatTyped]-?: NonNullable<HeatTyped[K]> } & {
  readonly zone: Zone;
};

export type HeatRead =
  | { ok: true; readings: readonly Reading[]; heat: Heat | undefined }
  | { ok: false; fields: Record<string, string>; otherUnit?: Unit };

/** What a probe on a running engine can show; a figure outside was read in the other unit, or not at all. */
const POSSIBLE_K: Readonly<Record<HeatSensor, { min: number; max: number }>> = {
  exhaust: { min: 373, max: 1273 },
  head: { min: 253, max: 573 },
};
/** So far off its target is no jetting: the other unit is asked about. */
const ABSURD_K = 150;
const NEAR_K = 60;

export const otherUnit = (unit: Unit): Unit => (unit === "°C" ? "°F" : "°C");

const inRange = (kelvin: number, { min, max }: { min: number; max: number }) =>
  kelvin >= min && kelvin <= max;

/** Reads the fields one by one and keeps what is wrong with each. */
class FieldReader {
  readonly fields: Record<string, string> = {};
  offersOther = false;
  private readonly sent: HeatSent;

  constructor(sent: HeatSent) {
    this.sent = sent;
  }

  private number(field: keyof HeatSent): number | undefined {
    const text = this.sent[field];
    if (text.trim() === "") return undefined;
    const typed = readTypedNumber(text);
    if (!typed.ok) this.fields[field] = noNumber(text);
    return typed.ok ? typed.value : undefined;
  }

  /** A temperature of the probe. */
  heat(field: "exhaust" | "staging" | "finish" | "exhaustTarget" | "stagingTarget", near?: number) {
    const { unit, sensor } = this.sent;
    const value = this.number(field);
    if (value === undefined) return undefined;
    const [kelvin, other] = [unit, otherUnit(unit)].map((u) => toSI("temperature", value, u)) as [
      number,
      number,
    ];
    const possible = POSSIBLE_K[sensor];
    const wrong = !inRange(kelvin, possible);
    const unlikely =
      near !== undefined && Math.abs(kelvin - near) > ABSURD_K && Math.abs(other - near) < NEAR_K;
    if (!wrong && !unlikely) return kelvin;
    if (inRange(other, possible)) this.offersOther = true;
    const what = sensor === "exhaust" ? "exhaust gas" : "a head";
    const ask = this.offersOther ? ` Did the probe show ${otherUnit(unit)}?` : "";
    this.fields[field] = wrong
      ? `${value} ${unit} is not what ${what} has.${ask}`
      : `${value} ${unit} is far from the target.${ask}`;
    return undefined;
  }

  /** A difference of temperatures, K. */
  span(field: "exhaustWithin" | "stagingWithin" | "riseFrom" | "riseTo", min: number, max: number) {
    const { unit } = this.sent;
    const value = this.number(field);
    if (value === undefined) return undefined;
    const kelvin = unit === "°F" ? value / 1.8 : value;
    if (inRange(kelvin, { min, max })) return kelvin;
    this.fields[field] = `A difference in ${unit}; this is ${value}.`;
    return undefined;
  }

  need<T>(field: keyof HeatSent, value: T | undefined, words: string): T | undefined {
    if (value === undefined) this.fields[field] ??= words;
    return value;
  }
}

const WITHIN_K = 10;

/** The rig's targets after what was typed; what was left empty stays as it was. */
function targets(read: FieldReader, { sensor, zone }: HeatSent, known: Heat): Heat {
  if (sensor === "exhaust") {
    const targetK = read.heat("exhaustTarget");
    const withinK = read.span("exhaustWithin", 1, 200) ?? known.exhaust?.[zone]?.withinK ?? WITHIN_K;
    return targetK === undefined
      ? known
      : { ...known, exhaust: { ...known.exhaust, [zone]: { targetK, withinK } } };
  }
  const targetK = read.heat("stagingTarget");
  const withinK = read.span("stagingWithin", 1, 200) ?? known.staging?.withinK ?? WITHIN_K;
  const [fromK, toK] = [read.span("riseFrom", 0, 500), read.span("riseTo", 1, 600)];
  if (fromK !== undefined && toK !== undefined && !(toK > fromK))
    read.fields["riseTo"] = "The window’s end lies above its start.";
  return {
    ...known,
    ...(targetK !== undefined && { staging: { targetK, withinK } }),
    ...(fromK !== undefined && toK !== undefined && { rise: { fromK, toK } }),
  };
}

function exhaustReadings(read: FieldReader, { zone }: HeatSent, heat: Heat): Reading[] {
  const kelvin = read.heat("exhaust", heat.exhaust?.[zone]?.targetK);
  const temperatureK = read.need("exhaust", kelvin, "Type what the probe showed.");
  return temperatureK === undefined ? [] : [{ type: "temperature", zone, sensor: "exhaust", temperatureK }];
}

/** Start line first, then finish line: the one sets idle and low, the rise to the other sets the top. */
function headReadings(read: FieldReader, heat: Heat): Reading[] {
  const staging = read.heat("staging", heat.staging?.targetK);
  read.need("staging", staging, "Type what the head showed at the start line.");
  const finish = read.heat("finish");
  if (staging === undefined) return [];
  const start: Reading = { type: "temperature", zone: "idle", sensor: "head", temperatureK: staging };
  if (finish === undefined) return [start];
  if (finish < staging) {
    read.fields["finish"] = "Cooler than at the start line: a head gains heat over a run.";
    return [];
  }
  return [
    start,
    { type: "temperature", zone: "top", sensor: "head", temperatureK: finish, risenFromK: staging },
  ];
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * @returns one look for each temperature, and the targets where other ones were typed; or what is wrong at which
 *   field, with the other unit where that would explain it
 */
export function readHeat(sent: HeatSent, build: Build): HeatRead {
  const read = new FieldReader(sent);
  const known = build.heat ?? {};
  const heat = targets(read, sent, known);
  const readings = sent.sensor === "exhaust" ? exhaustReadings(read, sent, heat) : headReadings(read, heat);
  if (Object.keys(read.fields).length > 0)
    return { ok: false, fields: read.fields, ...(read.offersOther && { otherUnit: otherUnit(sent.unit) }) };
  const asShown = JSON.stringify(heatTexts(heat, sent.zone, sent.unit));
  const changed = !same(asShown, JSON.stringify(heatTexts(known, sent.zone, sent.unit)));
  return { ok: true, readings, heat: changed ? heat : undefined };
}

/** @returns what the fields show: as typed, else the targets as they stand */
export function heatShown(typed: HeatTyped, zone: Zone, known: Heat): HeatSent {
  const touched = Object.fromEntries(Object.entries(typed).filter(([, text]) => text !== undefined));
  return { ...heatTexts(known, zone, typed.unit), ...touched, zone } as HeatSent;
}

export type HeatTexts = Pick<
  HeatSent,
  "exhaustTarget" | "exhaustWithin" | "stagingTarget" | "stagingWithin" | "riseFrom" | "riseTo"
>;

/** @returns a rig's targets as its fields show them */
export function heatTexts({ staging, rise, exhaust }: Heat, zone: Zone, unit: Unit): HeatTexts {
  const heat = (kelvin: number | undefined) =>
    kelvin === undefined ? "" : String(Math.round(fromSI("temperature", kelvin, unit)));
  const span = (kelvin: number | undefined) =>
    kelvin === undefined ? "" : String(Math.round(unit === "°F" ? kelvin * 1.8 : kelvin));
  return {
    exhaustTarget: heat(exhaust?.[zone]?.targetK),
    exhaustWithin: span(exhaust?.[zone]?.withinK),
    stagingTarget: heat(staging?.targetK),
    stagingWithin: span(staging?.withinK),
    riseFrom: span(rise?.fromK),
    riseTo: span(rise?.toK),
  };
}

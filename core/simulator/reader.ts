/** Simulated reader: plug tones, meters, tachometer, probe and ride reports with reader error. */
import { LEAN_LIMIT, type PerZone, type Zone } from "../carburettor/zones.ts";
import { TONES } from "../log/parts.ts";
import { FELT } from "../log/readings/ride-report.ts";
import type { Build, Reading, Setting } from "../log/schema.ts";
import type { Random } from "../numbers/random.ts";
import { feltAs, INSTRUMENT_SD, METHANOL_FACTOR, PLUG_SD, SENSOR_SD, toneShown } from "./truth.ts";

/** Scatter and own error of each instrument, log mixture. */
export interface Reader {
  readonly plug: { readonly sd: number; readonly bias: number };
  readonly lambda: { readonly sd: number; readonly bias: number };
  readonly idleTurns: { readonly sd: number };
  readonly idle: { readonly bias: number };
  readonly ride: { readonly sd: number; readonly bias: number };
  readonly heat: { readonly sd: number; readonly bias: number };
  /** share of plugs and felt zones that show something else: a sooty session before, the wrong plug in the hand */
  readonly slips: number;
}

/** Somebody who takes care: what the demo's riders are. */
export const CAREFUL_SD = { plug: 0.012, lambda: 0.01, idle: 0.01, ride: 0.015, heat: 0.02 } as const;

/** @param ownSd - spread of what each instrument is off by */
export function drawReader(
  random: Random,
  ownSd: Readonly<Record<keyof typeof INSTRUMENT_SD, number>> = INSTRUMENT_SD,
  slips = 0,
): Reader {
  const bias = (sd: number) => sd * random.normal();
  return {
    plug: { sd: PLUG_SD, bias: bias(ownSd.plug) },
    lambda: { sd: SENSOR_SD, bias: bias(ownSd.lambda) },
    idleTurns: { sd: 0.1 },
    idle: { bias: bias(ownSd.idle) },
    ride: { sd: 0.06, bias: bias(ownSd.ride) },
    heat: { sd: 0.04, bias: bias(ownSd.heat) },
    slips,
  };
}

/** @returns one of all that could be seen, each as likely, where this look shows something else */
const slipped = <T>({ slips }: Reader, random: Random, all: readonly T[]): T | undefined =>
  slips > 0 && random.uniform() < slips ? all[Math.floor(random.uniform() * all.length)] : undefined;

export function readPlugOf(
  reader: Reader,
  error: number,
  zone: Zone,
  fuel: Build["fuel"],
  random: Random,
): Reading {
  const { sd, bias } = reader.plug;
  const factor = fuel.name === "methanol" ? METHANOL_FACTOR : 1;
  const tone = slipped(reader, random, TONES) ?? toneShown(error + bias + factor * sd * random.normal());
  return { type: "plug", zone, tone, cut: "clean", colderSteps: 0 };
}

export function readLambdaOf(
  reader: Reader,
  error: number,
  zone: Zone,
  build: Build,
  random: Random,
): Reading {
  const { sd, bias } = reader.lambda;
  const lambda = build.targetLambda[zone] * Math.exp(error + bias + sd * random.normal());
  return {
    type: "lambda",
    zone,
    lambda: Math.min(2, Math.max(0.4, Math.round(lambda * 1000) / 1000)),
    sensor: "inside",
  };
}

/** Kelvin of exhaust gas or head for a unit of mixture: what the log has to learn. */
const KELVIN_PER_UNIT = 600;
/** Of a head it is less: at the start line, and gained over the run. */
const HEAD_KELVIN = { staging: 100, rise: 120 } as const;

/** Head at the start line for the idle, its rise to the finish for full throttle. */
function readHeadOf(error: number, zone: Zone, { heat }: Build): Reading | undefined {
  const staging = heat?.staging;
  if (!staging) return undefined;
  const head = { type: "temperature", zone, sensor: "head" } as const;
  if (zone === "idle") return { ...head, temperatureK: staging.targetK + HEAD_KELVIN.staging * error };
  const { rise } = heat;
  if (zone !== "top" || !rise) return undefined;
  const gained = (rise.fromK + rise.toK) / 2 + HEAD_KELVIN.rise * error;
  return { ...head, risenFromK: staging.targetK, temperatureK: staging.targetK + Math.max(0, gained) };
}

export function readHeatOf(
  reader: Reader,
  error: number,
  zone: Zone,
  build: Build,
  random: Random,
): Reading | undefined {
  const target = build.heat?.exhaust?.[zone];
  // Where nothing is read nothing is drawn: what comes after it stays the same.
  if (!target && !build.heat?.staging) return undefined;
  const { sd, bias } = reader.heat;
  const shown = error + bias + sd * random.normal();
  if (!target) return readHeadOf(shown, zone, build);
  const temperatureK = target.targetK + KELVIN_PER_UNIT * shown;
  return {
    type: "temperature",
    zone,
    sensor: "exhaust",
    temperatureK: Math.min(1600, Math.max(230, temperatureK)),
  };
}

export function rideReportOf(reader: Reader, errors: PerZone<number>, random: Random): Reading {
  const { sd, bias } = reader.ride;
  const felt = (zone: Zone) =>
    slipped(reader, random, FELT) ?? feltAs(errors[zone] + bias + sd * random.normal());
  return {
    type: "rideReport",
    felt: { idle: felt("idle"), low: felt("low"), mid: felt("mid"), top: felt("top") },
  };
}

/**
 * The idle bench: the screw is walked until the idle falls on both sides, and its middle is found to a tenth of a
 * turn. Nothing where the middle lies beyond the seat or the thread.
 */
export function walkIdle(
  reader: Reader,
  setting: Setting,
  idleErrorAt: (setting: Setting) => number,
  random: Random,
): Reading | undefined {
  const at = (screwTurns: number) => idleErrorAt({ ...setting, screwTurns }) + reader.idle.bias;
  const turns = Array.from({ length: 81 }, (_, i) => i / 10);
  const crossing = (wanted: number) => {
    for (let i = 1; i < turns.length; i += 1) {
      const [a, b] = [turns[i - 1] ?? 0, turns[i] ?? 0];
      const [ea, eb] = [at(a) - wanted, at(b) - wanted];
      if (ea === 0 || ea * eb < 0) return a + (0.1 * Math.abs(ea)) / (Math.abs(ea) + Math.abs(eb) || 1);
    }
    return undefined;
  };
  const middle = crossing(0);
  if (middle === undefined) return undefined;
  const half = 0.11;
  const seen = [crossing(-half), crossing(half)];
  // A fall-off beyond the seat or the thread: the walk ends there, and the middle is doubted by half its span.
  const nearer = (wanted: number) => (Math.abs(at(0) - wanted) < Math.abs(at(8) - wanted) ? 0 : 8);
  const ends = seen.map((x, i) => x ?? nearer(i === 0 ? -half : half));
  const slip = reader.idleTurns.sd * random.normal();
  const bound = (x: number) => Math.min(9.9, Math.max(0, Math.round((x + slip) * 1000) / 1000));
  const fallIn = bound(Math.min(...ends));
  const fallOut = Math.max(bound(Math.max(...ends)), fallIn + 0.1);
  const oneSided = seen.some((x) => x === undefined);
  const points = [0, 0.25, 0.5, 0.75, 1].map((share) => ({
    turns: fallIn + share * (fallOut - fallIn),
    rpm: 1500,
  }));
  return {
    type: "bestIdle",
    zone: "idle",
    fallInTurns: fallIn,
    fallOutTurns: fallOut,
    sdTurns: oneSided ? Math.max(reader.idleTurns.sd, (fallOut - fallIn) / 4) : reader.idleTurns.sd,
    points,
  };
}

/** @returns is this top past its lean limit? */
export const isPastLimit = (errors: PerZone<number>): boolean => errors.top > LEAN_LIMIT.top;

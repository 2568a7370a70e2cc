/** What of a logger's file is logged: λ by zone as looks, standing starts as runs, and the file itself. */
import * as z from "zod/mini";
import { ImportEntry, RunEntry } from "#core/log/schema.ts";
import { TemperatureReading } from "#core/log/readings/temperature.ts";
import { ZoneName } from "#core/log/parts.ts";
import { ZONES } from "#core/carburettor/zones.ts";
import type { RiddenCell } from "#core/logger/lambda-by.ts";
import type { Pull } from "#core/logger/pulls.ts";
import type { Reduced } from "#core/logger/reduce.ts";
import type { Content } from "#app/journal/save.ts";

export const LoggerSent = z.object({
  file: ImportEntry.shape.file,
  rows: ImportEntry.shape.rows,
  seconds: ImportEntry.shape.seconds,
  ridden: ImportEntry.shape.ridden,
  delayS: ImportEntry.shape.delayS,
  simulated: z.boolean(),
  sensor: z.enum(["inside", "openEnd"]),
  zones: z
    .array(
      z.object({
        zone: ZoneName,
        lambda: z.number().check(z.gte(0.4), z.lte(2)),
        seconds: z.number().check(z.gte(0.1), z.lte(1_000_000)),
        spread: z.number().check(z.gte(0), z.lte(1)),
      }),
    )
    .check(z.maxLength(4)),
  runs: z.array(RunEntry.shape.run).check(z.maxLength(100)),
  heats: z._default(
    z
      .array(z.pick(TemperatureReading, { sensor: true, temperatureK: true, risenFromK: true }))
      .check(z.maxLength(100)),
    [],
  ),
});
export type LoggerSent = z.infer<typeof LoggerSent>;

/** A pull shorter than this has not warmed its probe. */
const WARMED_S = 4;
const HEAT = TemperatureReading.shape.temperatureK;

/** @returns what probes showed at the end of every pull that was long enough, the head's rise from a standstill */
export function heatsOf(pulls: readonly Pull[]): LoggerSent["heats"] {
  return pulls.flatMap(({ seconds, exhaustK, headK, headFromK }): LoggerSent["heats"] => {
    const possible = (kelvin: number | undefined) => HEAT.safeParse(kelvin).data;
    const [exhaust, head, from] = [possible(exhaustK), possible(headK), possible(headFromK)];
    if (seconds < WARMED_S) return [];
    return [
      ...(exhaust === undefined ? [] : [{ sensor: "exhaust" as const, temperatureK: exhaust }]),
      ...(head === undefined
        ? []
        : [{ sensor: "head" as const, temperatureK: head, ...(from !== undefined && { risenFromK: from }) }]),
    ];
  });
}

/** The last line of a file's name is enough of it. */
const NAME = 200;

/** Which of the timed figures become runs: to one speed, or over one length. */
export type RunsWanted =
  { readonly what: "none" } | { readonly what: "toSpeed" | "distance"; readonly to: number };

/** @returns the standing starts of all pulls, timed to what is wanted */
export function runsOf(pulls: readonly Pull[], wanted: RunsWanted): LoggerSent["runs"] {
  if (wanted.what === "none") return [];
  return pulls.flatMap(({ toSpeed, toDistance }): LoggerSent["runs"] => {
    const split = (wanted.what === "toSpeed" ? toSpeed : toDistance).find(({ to }) => to === wanted.to);
    if (!split || split.seconds < 0.1) return [];
    const { seconds, to } = split;
    return wanted.what === "toSpeed"
      ? [{ what: "toSpeed", seconds, speedMs: to }]
      : [{ what: "distance", seconds, lengthM: to }];
  });
}

/** As many signs as a chart can show: a log is kept for years. */
const rounded = ({ throttle, rpm, lambda, seconds }: RiddenCell): RiddenCell => ({
  throttle: Number(throttle.toFixed(3)),
  rpm,
  lambda: Number(lambda.toFixed(3)),
  seconds: Number(seconds.toFixed(1)),
});

export function loggerSent(
  reduced: Reduced,
  file: { readonly name: string; readonly simulated: boolean },
  sensor: LoggerSent["sensor"],
  wanted: RunsWanted,
): LoggerSent {
  const { rows, seconds, delay, lambda, pulls } = reduced;
  return {
    file: file.name.slice(-NAME),
    rows,
    seconds,
    ...(delay && { delayS: Math.round(1000 * delay.delayS) / 1000 }),
    ...(lambda.ridden.length > 0 && { ridden: lambda.ridden.map(rounded) }),
    simulated: file.simulated,
    sensor,
    zones: ZONES.flatMap((zone) => {
      const stretch = lambda.zones[zone];
      return stretch
        ? [{ zone, lambda: stretch.mean, seconds: stretch.seconds, spread: Math.min(1, stretch.spread) }]
        : [];
    }),
    runs: runsOf(pulls, wanted),
    heats: heatsOf(pulls),
  };
}

/** @returns the entries, the file first */
export function loggerContents(sent: LoggerSent): Content[] {
  const { zones, runs, heats, sensor, simulated, delayS, ridden, file, rows, seconds } = sent;
  const mark = simulated && { simulated: true };
  return [
    {
      kind: "import",
      file,
      rows,
      seconds,
      ...(delayS !== undefined && { delayS }),
      ...(ridden && { ridden }),
      ...mark,
    },
    ...zones.map(({ zone, lambda, ...logged }): Content => ({
      kind: "look",
      reading: { type: "lambda", zone, lambda, sensor, logged },
      ...mark,
    })),
    ...heats.map((heat): Content => ({
      kind: "look",
      reading: { type: "temperature", zone: "top", ...heat },
      ...mark,
    })),
    ...runs.map((run): Content => ({ kind: "run", run, ...mark })),
  ];
}

/** A run as typed or stopped, and runs of one kind beside each other. */
import * as z from "zod/mini";
import { runValue } from "#core/looks/run-groups.ts";
import { compareRuns, type Comparison } from "#core/runs/compare.ts";
import type { SeenRun } from "#core/log/present.ts";
import type { Run, RunEntry } from "#core/log/schema.ts";
import { toSI, type UnitOf } from "#core/units/quantity.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { runName } from "#app/vocabulary/runs.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

export const RUN_KINDS = ["lap", "toSpeed", "distance", "topSpeed", "fuel"] as const;

const RunTexts = z.object({
  what: z.enum(RUN_KINDS),
  figure: z.string().check(z.maxLength(40)),
  /** the speed reached, or how far */
  over: z.string().check(z.maxLength(40)),
  /** by satellites: the figure's own error as a share, fixes a second, and whether it was a stand-in */
  taken: z.optional(
    z.object({
      errorShare: z.number().check(z.gte(0), z.lte(0.5)),
      rateHz: z.number().check(z.gte(0.1), z.lte(50)),
      simulated: z.boolean(),
    }),
  ),
});
export type RunTexts = z.infer<typeof RunTexts>;

/** @returns seconds of `83.4`, `1:23.4` or `1:02:03`, or nothing */
export function readTime(text: string): number | undefined {
  const parts = text.trim().split(":");
  if (parts.length > 3) return undefined;
  let seconds = 0;
  for (const [i, part] of parts.entries()) {
    const read = readTypedNumber(part);
    const last = i === parts.length - 1;
    if (!read.ok || read.value < 0 || (i > 0 && read.value >= 60) || (!last && !Number.isInteger(read.value)))
      return undefined;
    seconds = seconds * 60 + read.value;
  }
  return seconds;
}

const bounded = (value: number | undefined, from: number, to: number): number | undefined =>
  value !== undefined && value >= from && value <= to ? value : undefined;

export function readSpeed(text: string, unit: UnitOf<"speed">): number | undefined {
  const read = readTypedNumber(text);
  return read.ok ? bounded(toSI("speed", read.value, unit), 0.5, 150) : undefined;
}

export function readLength(text: string, { length }: Preferences): number | undefined {
  const read = readTypedNumber(text);
  return read.ok ? bounded(toSI("length", read.value, length), 1, 2_000_000) : undefined;
}

const METRES_PER_KM = 1000;
const METRES_PER_MILE = 1609.344;

/** A tankful is driven over kilometres or miles, as the speed is read. */
export const longUnit = ({ speed }: Preferences): "km" | "mi" => (speed === "mph" ? "mi" : "km");

/** @returns the run and what has timed it */
export const runForm = (units: Preferences) =>
  z.pipe(
    RunTexts,
    z.transform(({ what, figure, over, taken }, ctx): Pick<RunEntry, "run" | "receiver" | "simulated"> => {
      const need = (field: "figure" | "over", value: number | undefined, words: string): number => {
        if (value === undefined) sayIssue(ctx, words, [field]);
        return value ?? 1;
      };
      const seconds = () =>
        need("figure", bounded(readTime(figure), 0.1, 36_000), "A time such as 8.42 or 1:23.4.");
      const speed = (text: string, field: "figure" | "over") =>
        need(field, readSpeed(text, units.speed), `A speed in ${units.speed}.`);
      const run = ((): Run => {
        switch (what) {
          case "lap":
            return { what, seconds: seconds() };
          case "toSpeed":
            return { what, seconds: seconds(), speedMs: speed(over, "over") };
          case "distance": {
            const lengthM = need("over", readLength(over, units), `A distance in ${units.length}.`);
            return { what, seconds: seconds(), lengthM };
          }
          case "topSpeed":
            return { what, speedMs: speed(figure, "figure") };
          case "fuel": {
            const [litres, long] = [readTypedNumber(figure), readTypedNumber(over)];
            const metres = longUnit(units) === "mi" ? METRES_PER_MILE : METRES_PER_KM;
            const used = litres.ok ? bounded(litres.value, 0.01, 500) : undefined;
            const far = long.ok ? bounded(long.value * metres, 1, 2_000_000) : undefined;
            return {
              what,
              litres: need("figure", used, "Litres, above 0."),
              lengthM: need("over", far, `A distance in ${longUnit(units)}.`),
            };
          }
        }
      })();
      const receiver = taken && { errorShare: taken.errorShare, rateHz: taken.rateHz };
      return { run, ...(receiver && { receiver }), ...(taken?.simulated === true && { simulated: true }) };
    }),
  );

export interface RunGroup {
  /** what was fitted */
  readonly settings: SeenRun["settings"];
  readonly runs: readonly SeenRun[];
}

export interface RunsOfAKind {
  readonly name: string;
  readonly what: Run["what"];
  /** one a setting, in the order in which it was first run */
  readonly groups: readonly RunGroup[];
  /** the newest setting against the one before it, once each was run twice */
  readonly comparison: Comparison | undefined;
}

/** @returns the runs of the kind that was run last, by what was fitted */
export function newestKind(runs: readonly SeenRun[], units: Preferences): RunsOfAKind | undefined {
  const last = runs.at(-1);
  if (!last) return undefined;
  const name = runName(last.entry.run, units);
  const groups = new Map<string, SeenRun[]>();
  for (const run of runs.filter(({ entry }) => runName(entry.run, units) === name)) {
    const key = JSON.stringify(run.settings);
    groups.set(key, [...(groups.get(key) ?? []), run]);
  }
  const newest = groups.get(JSON.stringify(last.settings)) ?? [];
  const older = [...groups.values()].filter((group) => group !== newest).at(-1);
  const receiverShare = Math.max(
    0,
    ...[...newest, ...(older ?? [])].map(({ entry }) => entry.receiver?.errorShare ?? 0),
  );
  const values = (group: readonly SeenRun[]) => group.map(({ entry }) => runValue(entry.run));
  return {
    name,
    what: last.entry.run.what,
    groups: [...groups.values()].map((group) => ({ settings: group[0]?.settings ?? [], runs: group })),
    comparison:
      older && older.length > 1 && newest.length > 1
        ? compareRuns(values(older), values(newest), receiverShare)
        : undefined,
  };
}

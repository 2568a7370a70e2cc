/** Results as tables. */
import type { PerZone } from "#core/carburettor/zones.ts";
import { isPastLimit } from "#core/simulator/reader.ts";
import { allRight } from "#core/simulator/real-engine.ts";
import type { FaultOutcome, Outcome } from "#core/simulator/trial.ts";
import type { NewAir } from "./trials.ts";

export const share = <T>(items: readonly T[], is: (item: T) => boolean): number =>
  items.length === 0 ? NaN : items.filter(is).length / items.length;

const percent = (x: number): string => (Number.isNaN(x) ? "-" : `${(100 * x).toFixed(0)} %`);

export function quantile(values: readonly number[], q: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? NaN;
}

export type Row = Readonly<Record<string, string>>;

export function markdown(rows: readonly Row[]): string {
  const [first] = rows;
  if (!first) return "";
  const heads = Object.keys(first);
  const line = (cells: readonly string[]) => `| ${cells.join(" | ")} |`;
  return [
    line(heads),
    line(heads.map(() => "---")),
    ...rows.map((row) => line(heads.map((head) => row[head] ?? ""))),
  ].join("\n");
}

const within = (zone: keyof PerZone<number>) => (errors: PerZone<number>) => Math.abs(errors[zone]) <= 0.05;

export function newAirRow(name: string, results: readonly NewAir[]): Row {
  return {
    "": name,
    engines: String(results.length),
    "do nothing": percent(share(results, ({ nothing }) => allRight(nothing))),
    "main by chart": percent(share(results, ({ chart }) => allRight(chart))),
    "the card": percent(share(results, ({ card }) => allRight(card))),
    "the box reaches": percent(share(results, ({ withinReach }) => withinReach)),
    "right of those": percent(
      share(
        results.filter(({ withinReach }) => withinReach),
        ({ card }) => allRight(card),
      ),
    ),
    idle: percent(share(results, ({ card }) => within("idle")(card))),
    middle: percent(share(results, ({ card }) => within("mid")(card))),
    top: percent(share(results, ({ card }) => within("top")(card))),
    "top past the lean limit": percent(share(results, ({ card }) => isPastLimit(card))),
  };
}

/** All four zones: just off idle only another part reaches. */
export function wrongNeedleRow(name: string, results: readonly Outcome[]): Row {
  const rightIn = (zone: keyof PerZone<number>) =>
    percent(share(results, ({ errors }) => within(zone)(errors)));
  return {
    "": name,
    engines: String(results.length),
    "right in all four": percent(share(results, ({ errors }) => allRight(errors) && within("low")(errors))),
    "idle, middle and top": percent(share(results, ({ errors }) => allRight(errors))),
    "just off idle": rightIn("low"),
    swapped: percent(share(results, ({ swaps }) => swaps > 0)),
    "more than once": percent(share(results, ({ swaps }) => swaps > 1)),
    "stops: median": String(
      quantile(
        results.map((one) => one.stops),
        0.5,
      ),
    ),
    "minutes: median": String(
      quantile(
        results.map((one) => one.minutes),
        0.5,
      ),
    ),
  };
}

export function unknownRow(name: string, results: readonly Outcome[]): Row {
  const stops = results.map((one) => one.stops);
  const minutes = results.map((one) => one.minutes);
  return {
    "": name,
    engines: String(results.length),
    "stops: median": String(quantile(stops, 0.5)),
    "90th": String(quantile(stops, 0.9)),
    "minutes: median": String(quantile(minutes, 0.5)),
    "all right": percent(share(results, ({ errors }) => allRight(errors))),
    "the box reaches": percent(share(results, ({ withinReach }) => withinReach)),
    "right of those": percent(
      share(
        results.filter(({ withinReach }) => withinReach),
        ({ errors }) => allRight(errors),
      ),
    ),
    idle: percent(share(results, ({ errors }) => within("idle")(errors))),
    middle: percent(share(results, ({ errors }) => within("mid")(errors))),
    top: percent(share(results, ({ errors }) => within("top")(errors))),
    "lean rides an engine": (results.reduce((sum, one) => sum + one.leanRides, 0) / results.length).toFixed(
      2,
    ),
    unfinished: String(results.filter(({ finished }) => !finished).length),
  };
}

/** Of what is called so likely right, how much is so. */
export function calibrationRows(results: readonly Outcome[]): Row[] {
  const said = results.flatMap(({ said: zones, errors }) =>
    zones.map(({ zone, chance }) => ({ chance, right: within(zone)(errors) })),
  );
  return Array.from({ length: 10 }, (_, i) => {
    const inBin = said.filter(({ chance }) => chance >= i / 10 && (chance < (i + 1) / 10 || i === 9));
    const mean = inBin.reduce((sum, { chance }) => sum + chance, 0) / inBin.length;
    return {
      said: `${10 * i}-${10 * (i + 1)} %`,
      times: String(inBin.length),
      "on average": percent(mean),
      "are right": percent(share(inBin, ({ right }) => right)),
    };
  });
}

const secondOrBetter = ({ rank }: FaultOutcome): boolean => rank !== undefined && rank <= 2;
const inHundred = (results: readonly FaultOutcome[], of: (one: FaultOutcome) => number): string =>
  (results.reduce((sum, one) => sum + of(one), 0) / results.length).toFixed(1);

/** @param bySize - small, middle, large */
export function faultRow(fault: string, bySize: readonly (readonly FaultOutcome[])[]): Row {
  const [small = [], middle = [], large = []] = bySize;
  const larger = [...middle, ...large];
  return {
    fault,
    engines: String(larger.length / 2),
    small: percent(share(small, secondOrBetter)),
    middle: percent(share(middle, secondOrBetter)),
    large: percent(share(large, secondOrBetter)),
    "first of the larger two": percent(share(larger, ({ rank }) => rank === 1)),
    "stood out": percent(share(larger, ({ fault: one, named }) => one !== undefined && named.includes(one))),
    "led astray": percent(share(larger, ({ astray }) => astray)),
    "left with a zone off": percent(share(larger, ({ left }) => left)),
    stops: inHundred(larger, ({ stops }) => stops),
    questions: inHundred(larger, ({ questions }) => questions),
  };
}

export function alarmRow(name: string, results: readonly FaultOutcome[]): Row {
  const counts = new Map<string, number>();
  for (const { named } of results) for (const fault of named) counts.set(fault, (counts.get(fault) ?? 0) + 1);
  const most = [...counts].sort((a, b) => b[1] - a[1]).slice(0, 4);
  return {
    "": name,
    engines: String(results.length),
    "any fault stood out": `${(100 * share(results, ({ named }) => named.length > 0)).toFixed(1)} %`,
    "most of all": most.map(([fault, count]) => `${fault} ${count}`).join(", ") || "none",
    stops: inHundred(results, ({ stops }) => stops),
    questions: inHundred(results, ({ questions }) => questions),
  };
}

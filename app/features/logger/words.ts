/** A logger's file in words: its columns, what was left out, what makes one doubt it. */
import type { Mapping, Role } from "#core/logger/mapping.ts";
import type { Reduced, UnitDoubt } from "#core/logger/reduce.ts";
import { FUELS, petrolWith } from "#core/carburettor/fuel.ts";
import { percentWords } from "#app/vocabulary/parts.ts";
import { timeWords } from "#app/vocabulary/runs.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

export const ROLE_LABELS: Readonly<Record<Role, string>> = {
  time: "Time",
  throttle: "Throttle",
  lambda: "λ or AFR",
  rpm: "Engine speed",
  speed: "Speed",
  exhaust: "Exhaust gas temperature",
  head: "Head temperature",
};

/** What AFR meters divide by: many show the petrol scale whatever is burnt. */
export const AFR_SCALES = [
  { stoichiometric: FUELS.petrol.stoichiometric, name: "petrol" },
  { stoichiometric: petrolWith(10).stoichiometric, name: "petrol with 10 % ethanol" },
  { stoichiometric: petrolWith(85).stoichiometric, name: "E85" },
  { stoichiometric: FUELS.methanol.stoichiometric, name: "methanol" },
] as const;

export const DOUBT_WORDS: Readonly<Record<UnitDoubt, string>> = {
  throttleTooLarge: "The throttle opens beyond fully open. Its unit is wrong.",
  throttleTooSmall: "The throttle never opens. Its unit or its column is wrong.",
  lambda: "No engine runs on such a λ.",
  timeTooSlow: "There are seconds between the rows: the time may be in thousandths.",
  timeTooFast: "There are thousands of rows a second: the time may be in seconds.",
};

export interface Fix {
  readonly words: string;
  readonly mapping: Mapping;
}

const withUnit = (mapping: Mapping, role: Role, unit: string): Mapping => ({
  ...mapping,
  columns: mapping.columns.map((use) => (use.role === role ? { ...use, unit } : use)),
});

const LIKELY = { least: 0.7, most: 1.15 };

/** Every scale on which the sensor's figures would be those of an engine. */
function lambdaFixes(mapping: Mapping, median: number): Fix[] {
  const use = mapping.columns.find(({ role }) => role === "lambda");
  const shown = use?.unit === "AFR" ? median * mapping.stoichiometric : median;
  const likely = (lambda: number) => lambda > LIKELY.least && lambda < LIKELY.most;
  return [
    ...AFR_SCALES.filter(({ stoichiometric }) => likely(shown / stoichiometric)).map(
      ({ stoichiometric, name }) => ({
        words: `AFR of ${name} (${stoichiometric})`,
        mapping: { ...withUnit(mapping, "lambda", "AFR"), stoichiometric },
      }),
    ),
    ...(likely(shown) ? [{ words: "λ", mapping: withUnit(mapping, "lambda", "λ") }] : []),
  ];
}

/** @returns other units that would explain the figures */
export function fixesFor(doubt: UnitDoubt, mapping: Mapping, { medianLambda }: Reduced): Fix[] {
  switch (doubt) {
    case "throttleTooLarge":
      return [{ words: "Throttle in %", mapping: withUnit(mapping, "throttle", "%") }];
    case "throttleTooSmall":
      return [{ words: "Throttle from 0 to 1", mapping: withUnit(mapping, "throttle", "0 to 1") }];
    case "timeTooSlow":
      return [{ words: "Time in ms", mapping: withUnit(mapping, "time", "ms") }];
    case "timeTooFast":
      return [{ words: "Time in s", mapping: withUnit(mapping, "time", "s") }];
    case "lambda":
      return medianLambda === undefined ? [] : lambdaFixes(mapping, medianLambda);
  }
}

/** What could not be used of a file, each with where. */
export function troubleWords({ trouble }: Reduced): string[] {
  const { ragged, unreadable, firstBadLine, wentBack, setAside } = trouble;
  const line = firstBadLine === undefined ? "" : `, the first in line ${firstBadLine}`;
  return [
    ...(ragged > 0 ? [`${ragged} rows are cut short and were passed over${line}.`] : []),
    ...(unreadable > 0 ? [`${unreadable} cells are not numbers and count as gaps${line}.`] : []),
    ...(wentBack > 0
      ? [
          `The time goes back ${wentBack === 1 ? "once" : `${wentBack} times`}: the longest stretch was read, ${setAside} rows were set aside. Export one session a file to have them all.`,
        ]
      : []),
  ];
}

/** How the sensor stands behind the engine, and what says nothing of the mixture. */
export function leftOutWords({ delay, leftOut, lambda, channels }: Reduced): string {
  if (!channels.includes("lambda")) return "There is no λ in this file.";
  const behind = delay
    ? `The sensor is ${fixed(delay.delayS, 2)} s late (then the throttle explains ${percentWords(delay.explains)} of λ). Each figure is counted at the throttle of that moment.`
    : "The file does not show how late the sensor is. The rows are used as they are.";
  const out = `Left out: overrun ${percentWords(leftOut.overrun)}, gear changes ${percentWords(leftOut.gearChange)}, just after either or a change of zone ${percentWords(leftOut.settling)}.`;
  const odd = lambda.impossible > 0 ? ` ${lambda.impossible} figures no running engine gives.` : "";
  return `${behind} ${out}${odd}`;
}

export function resultTitle({ lambda, pulls }: Reduced): string {
  const zones = Object.values(lambda.zones).filter((stretch) => stretch !== undefined).length;
  const pullWords = `${pulls.length} ${pulls.length === 1 ? "pull" : "pulls"}`;
  return zones === 0 ? pullWords : `λ in ${zones} ${zones === 1 ? "zone" : "zones"}, ${pullWords}`;
}

export const fileWords = ({ rows, seconds }: Pick<Reduced, "rows" | "seconds">): string =>
  `${rows} rows, ${timeWords(seconds)}`;

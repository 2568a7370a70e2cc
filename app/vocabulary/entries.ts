/** A log entry as a line: what kind, what it says, what came of it. */
import type { LogLine } from "#core/log/present.ts";
import { spread } from "#core/balance/spread.ts";
import { runFigure, runName, timeWords } from "./runs.ts";
import { isTank } from "#core/log/corrections.ts";
import type {
  AdjustEntry,
  AirEntry,
  Build,
  CheckEntry,
  Entry,
  RunEntry,
  TeardownEntry,
} from "#core/log/schema.ts";
import type { Preferences } from "./preferences.ts";
import { readingResult, readingWords } from "./readings.ts";
import { TEARDOWN_WORDS } from "./teardown.ts";
import { FINDING_WORDS } from "./findings.ts";
import { MEASURE_WORDS } from "./measures.ts";
import { checkList, CHECK_WORDS, STATE_WORDS } from "./walk-round.ts";
import { fuelChangeWords } from "./fuels.ts";
import { faultName } from "./faults.ts";
import { QUESTION_WORDS } from "./questions.ts";
import { PROVEN_WORDS } from "./proven.ts";
import { schoolWords } from "./schools.ts";
import { WORK_WORDS } from "./work.ts";
import { aheadWords } from "./ahead.ts";
import { capital, partInSentence, partValue } from "./parts.ts";
import { fixed, formatQuantity, formatTurns } from "#app/vocabulary/numerals.ts";

export const KIND_NAMES: Readonly<Record<Entry["kind"], string>> = {
  build: "rig",
  box: "box",
  base: "base",
  check: "check",
  override: "I know",
  work: "work",
  teardown: "apart",
  adjust: "set",
  balance: "balance",
  headers: "headers",
  run: "run",
  import: "logger",
  air: "air",
  fit: "fitted",
  look: "look",
  note: "note",
  strike: "struck",
  proven: "right",
  school: "school",
  answer: "answer",
  fault: "fault",
  place: "place",
  forecast: "forecast",
  heats: "heats",
  route: "route",
  climate: "climate",
};

export interface LineWords {
  readonly kind: string;
  readonly what: string;
  readonly result: string;
}

const receiverWords = ({ errorShare }: NonNullable<RunEntry["receiver"]>): string =>
  `, by satellites to ${fixed(100 * errorShare, 1)} %`;

export function airWords(air: AirEntry, units: Preferences): string {
  const temperature = formatQuantity("temperature", air.temperatureK, units.temperature);
  const humidity =
    air.humidity.kind === "relative"
      ? `${Math.round(100 * air.humidity.fraction)} %`
      : `${air.humidity.kind === "dewPoint" ? "dew point" : "wet bulb"} ${formatQuantity("temperature", air.humidity.temperatureK, units.temperature)}`;
  const height = air.elevationM === undefined ? "" : formatQuantity("length", air.elevationM, units.length);
  const pressure =
    air.pressure.kind === "standard"
      ? height
      : `${formatQuantity("pressure", air.pressure.pressurePa, units.pressure)}${air.pressure.kind === "seaLevel" ? ` at sea level, ${height}` : ""}`;
  return `${temperature} · ${pressure} · ${humidity}`;
}

function changeWords({ entry, before }: LogLine): string {
  if (entry.kind !== "fit") return "";
  return entry.changes
    .map(({ part, to, carburettor }) => {
      const from = before && carburettor === undefined ? `${partValue(part, before[part])} → ` : "";
      const where = carburettor === undefined ? "" : ` on no. ${carburettor}`;
      return `${partInSentence(part)} ${from}${partValue(part, to)}${where}`;
    })
    .join(", ");
}

const REASONS = {
  card: "the card",
  advice: "as advised",
  putBack: "put back",
  base: "back to base",
  teardown: "as found inside",
  own: "own choice",
} as const;

const sizes = (list: readonly number[]): string => `${list.length} ${list.length === 1 ? "size" : "sizes"}`;

export function checkResult({ measured, findings, note }: CheckEntry): string {
  const measures = Object.entries(measured).map(([name, value]) => {
    // A newer Tamis may measure more than is known here: it is shown as it stands, and carried on.
    const words = name in MEASURE_WORDS ? MEASURE_WORDS[name as keyof typeof measured] : undefined;
    return words ? `${words.label.toLowerCase()} ${value} ${words.unit}` : `${name} ${String(value)}`;
  });
  const found = findings.map((name) => FINDING_WORDS[name].toLowerCase());
  return [...found, ...measures, note].filter((words) => words !== "").join(" · ");
}

function teardownWords({ step, moved, reads, note }: TeardownEntry): Pick<LineWords, "what" | "result"> {
  const { title, reads: asked } = TEARDOWN_WORDS[step];
  const value = reads === "" ? "" : `${reads}${asked?.unit === undefined ? "" : ` ${asked.unit}`}`;
  return {
    what: `${title}, ${moved === "out" ? "out" : "back in"}`,
    result: [value, note].filter((words) => words !== "").join(" · "),
  };
}

function adjustWords({ set }: AdjustEntry): Pick<LineWords, "what" | "result"> {
  switch (set.what) {
    case "idleSpeed":
      return { what: "Idle speed set", result: `${Math.round(set.rpm)} rpm` };
    case "spareIdleSpeed":
      return { what: "Spare idle stop set", result: `${Math.round(set.rpm)} rpm` };
    case "pump":
      return { what: "Accelerator pump set", result: `${formatTurns(set.turns)} turns out` };
  }
}

/** Another tank, said with what it does; what was only said late is none. */
function tankWords(
  { build, corrects = [] }: Extract<Entry, { kind: "build" }>,
  before: Build | undefined,
): string | undefined {
  const saidLate = corrects !== "all" && corrects.some(isTank);
  return before && !saidLate ? fuelChangeWords(before.fuel, build.fuel) : undefined;
}

/** @param stoichiometric - air-fuel ratio of the fuel in use at λ 1, for those who read AFR */
export function lineWords(line: LogLine, units: Preferences, stoichiometric: number): LineWords {
  const { entry } = line;
  const kind = KIND_NAMES[entry.kind];
  switch (entry.kind) {
    case "build":
      return {
        kind,
        what: entry.why === "" ? "Rig described" : entry.why,
        result: tankWords(entry, line.build) ?? "",
      };
    case "box":
      return {
        kind,
        what: entry.why === "" ? "Jet box counted" : entry.why,
        result: `main ${sizes(entry.box.mains)}, pilot ${sizes(entry.box.pilots)}`,
      };
    case "base":
      return { kind, what: `Base sheet ${entry.sheet.stamp}`, result: entry.sheet.source };
    case "check":
      return {
        kind,
        what: `${CHECK_WORDS[entry.check].title}: ${STATE_WORDS[entry.state]}`,
        result: checkResult(entry),
      };
    case "proven":
      return {
        kind,
        what: `This was right: ${PROVEN_WORDS[entry.how].name.toLowerCase()}`,
        result: entry.note,
      };
    case "school":
      return { kind, ...schoolWords(entry.school) };
    case "answer": {
      const { text, yes, no } = QUESTION_WORDS[entry.question];
      return { kind, what: text, result: entry.is === "yes" ? yes : no };
    }
    case "fault":
      return {
        kind,
        what: `${entry.is === "mended" ? "Found and mended" : "Looked for, not found"}: ${faultName(entry)}`,
        result: entry.note,
      };
    case "override":
      return { kind, what: `Jetted on although ${checkList(entry.checks)} says stop`, result: entry.reason };
    case "work":
      return {
        kind,
        what: entry.why === "" ? WORK_WORDS[entry.what] : entry.why,
        result: entry.why === "" ? "" : WORK_WORDS[entry.what],
      };
    case "teardown":
      return { kind, ...teardownWords(entry) };
    case "air":
      return { kind, what: entry.place === "" ? "Air read" : entry.place, result: airWords(entry, units) };
    case "fit":
      return { kind, what: capital(changeWords(line)), result: REASONS[entry.because] };
    case "look":
      return {
        kind,
        what: readingWords(entry.reading, entry.cylinder),
        result: readingResult(entry.reading, units, stoichiometric),
      };
    case "adjust":
      return { kind, ...adjustWords(entry) };
    case "balance": {
      const [before, after] = [entry.beforePa, entry.afterPa].map((all) => spread(all));
      return {
        kind,
        what: `Vacuum at ${entry.speed === "idle" ? "idle" : "cruising speed"}, ${entry.afterPa.length} gauges`,
        result: `spread ${formatQuantity("vacuum", before ?? 0, units.vacuum)} → ${formatQuantity("vacuum", after ?? 0, units.vacuum)}`,
      };
    }
    case "headers":
      return {
        kind,
        what: "Header pipes side by side",
        result: entry.temperaturesK
          .map((kelvin) => (kelvin === null ? "–" : formatQuantity("temperature", kelvin, units.temperature)))
          .join(" · "),
      };
    case "run":
      return {
        kind,
        what: runName(entry.run, units),
        result: `${runFigure(entry.run, units)}${entry.receiver ? receiverWords(entry.receiver) : ""}`,
      };
    case "import":
      return {
        kind,
        what: entry.file,
        result: `${entry.rows} rows, ${timeWords(entry.seconds)}${entry.delayS === undefined ? "" : `, sensor ${fixed(entry.delayS, 2)} s late`}`,
      };
    case "place":
    case "forecast":
    case "heats":
    case "route":
    case "climate":
      return { kind, ...aheadWords(entry, units) };
    case "note":
      return { kind, what: entry.text, result: "" };
    case "strike":
      return { kind, what: entry.why === "" ? "An entry was struck through" : entry.why, result: "" };
  }
}

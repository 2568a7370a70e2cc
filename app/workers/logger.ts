/** Loggers' files: looked at, then read whole, away from the screen. */
import Papa from "papaparse";
import { humidAir } from "#core/air/humid-air.ts";
import { Mapping, mappingProblem } from "#core/logger/mapping.ts";
import type { Fix } from "#core/satellites/fix.ts";
import type { Wanted } from "#core/logger/pulls.ts";
import { fromStandstill, type Goal, type StandstillRun } from "#core/satellites/from-standstill.ts";
import { reduceTrace, type Reduced } from "#core/logger/reduce.ts";
import { sniff, type Sniffed } from "#core/logger/sniff.ts";
import { TraceBuilder } from "#core/logger/trace.ts";
import type { AirState } from "#core/air/humid-air.ts";
import type { Build, Entry, Setting } from "#core/log/schema.ts";
import { frameOf } from "#core/belief/frame.ts";
import { beliefOver } from "#core/belief/layout.ts";
import { UNKNOWNS_EACH } from "#core/belief/unknowns.ts";
import { cholesky, dot } from "#core/numbers/linear.ts";
import { openCase } from "#core/advice/judge/case.ts";
import type { HiddenEngine } from "#core/simulator/hidden-engine.ts";
import { seededRandom, type Random } from "#core/numbers/random.ts";
import { ride, rideCsv } from "#core/simulator/ride.ts";
import type { Answer } from "./protocol.ts";
import { openText, portions, type Encoding, type TextWanted } from "./text-file.ts";

export interface LookedAt extends Sniffed {
  readonly encoding: Encoding;
  /** files with the same heads are mapped alike */
  readonly headKey: string;
}

const WANTED: TextWanted = {
  largestBytes: 600 * 1024 * 1024,
  tooLarge: "This file is over 600 MB. Export a part of the session.",
  instead: "Export the session as CSV (a spreadsheet’s own format is none).",
};
const MOST_ROWS = 5_000_000;
const LOOKED_LINES = 400;
const DELIMITERS = [",", ";", "\t", "|"] as const;

const failed = (message: string): Answer<never> => ({ ok: false, name: "LoggerError", message });
const NO_TABLE =
  "No rows of figures were found in this file. Choose the CSV that the logger exports: one row an instant, columns parted by comma, semicolon or tab.";

const isDelimiter = (sign: string): sign is Mapping["delimiter"] =>
  DELIMITERS.some((known) => known === sign);

/** Columns are parted by what the package guesses, or by what parts most lines alike. */
function delimiterOf(text: string): Mapping["delimiter"] {
  const guessed = Papa.parse(text, { preview: 60, delimitersToGuess: [...DELIMITERS] }).meta.delimiter;
  // Decimal commas mislead the guess where semicolons part the columns.
  const count = (sign: string) => text.split(sign).length;
  if (guessed === "," && count(";") > 20 && count(";") > count(",") / 3) return ";";
  return isDelimiter(guessed) ? guessed : ",";
}

/** @returns what the file seems to be, for the tuner to confirm */
export async function lookAtLog(file: Blob, stoichiometric: number): Promise<Answer<LookedAt>> {
  const opened = await openText(file, WANTED);
  if ("problem" in opened) return failed(opened.problem);
  const { encoding } = opened;
  const { value: first } = await portions(file, encoding, 2 ** 17).next();
  const text = first?.text ?? "";
  const delimiter = delimiterOf(text);
  const { data } = Papa.parse<string[]>(text, { delimiter, newline: "\n", preview: LOOKED_LINES });
  const sniffed = sniff(data, delimiter, stoichiometric);
  if (!sniffed) return failed(NO_TABLE);
  return { ok: true, value: { ...sniffed, encoding, headKey: sniffed.names.join("|").slice(0, 500) } };
}

export interface LogToReduce {
  readonly file: Blob;
  readonly encoding: Encoding;
  readonly mapping: Mapping;
  readonly idleRpm: number;
  readonly wanted: Wanted;
}

/** Reads all rows, portion by portion. */
async function readRows(
  { file, encoding, mapping }: LogToReduce,
  onProgress: (share: number) => void,
): Promise<TraceBuilder | string> {
  const builder = new TraceBuilder(mapping);
  let head = mapping.headerLines;
  for await (const { text, bytesRead } of portions(file, encoding)) {
    // Row by row: what a row was made of is gone before the next one comes, which is half of the time.
    Papa.parse<string[]>(text, {
      delimiter: mapping.delimiter,
      newline: "\n",
      step: ({ data }) => {
        if (head > 0) head -= 1;
        else builder.add(data);
      },
    });
    if (builder.count > MOST_ROWS)
      return `This file has over ${MOST_ROWS / 1e6} million rows. Export a part of the session.`;
    onProgress(bytesRead / file.size);
  }
  return builder;
}

/**
 * @param onProgress - told the share of the file that has been read
 * @returns what the file says, or words why it says nothing
 */
export async function reduceLog(
  task: LogToReduce,
  onProgress: (share: number) => void,
): Promise<Answer<Reduced>> {
  const parsed = Mapping.safeParse(task.mapping);
  if (!parsed.success) return failed("These columns cannot be read. Choose them again.");
  const problem = mappingProblem(parsed.data);
  if (problem !== undefined) return failed(problem);
  const read = await readRows(task, onProgress);
  if (typeof read === "string") return failed(read);
  if (read.count < 2) return failed("None of these rows could be read with these columns and units.");
  return { ok: true, value: reduceTrace(read.finish(), task.idleRpm, task.wanted) };
}

export interface RideWanted {
  readonly entries: readonly Entry[];
  readonly build: Build;
  readonly setting: Setting;
  readonly air: AirState;
  readonly seed: number;
}

const RIDE = { seconds: 208, rateHz: 50, delayS: 0.26 };

/** An engine such as the log so far says that this one could be: its secret is drawn from what is believed. */
function engineLike(entries: readonly Entry[], build: Build, random: Random): HiddenEngine {
  const { replayed } = openCase(entries);
  const { mean, covariance } = beliefOver(replayed.joint, [0]);
  const root = cholesky(covariance);
  const draws = Float64Array.from(mean, () => random.normal());
  const row = (i: number) => root.subarray(i * UNKNOWNS_EACH, (i + 1) * UNKNOWNS_EACH);
  return {
    frame: replayed.frames[0] ?? frameOf(build),
    truth: Array.from(mean, (x, i) => x + dot(row(i), draws)),
  };
}

/** The simulated logger: a file such as a real one would leave. */
export function simulateLog({ entries, build, setting, air, seed }: RideWanted): Answer<Blob> {
  const random = seededRandom(seed);
  const rows = ride(engineLike(entries, build, random), build, setting, humidAir(air), RIDE, random);
  const csv = rideCsv(rows, { delimiter: ",", decimal: ".", time: "s" });
  return { ok: true, value: new Blob([csv], { type: "text/csv" }) };
}

/** The newest run in the fixes of a receiver. */
export function timeRun(fixes: readonly Fix[], goal: Goal): Answer<StandstillRun | undefined> {
  try {
    return { ok: true, value: fromStandstill(fixes, goal) };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { ok: false, name: error.name, message: `This run cannot be timed: ${error.message}.` };
  }
}

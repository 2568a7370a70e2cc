/** A rig's chart for the zip. Loaded for the export of one rig alone: it takes the whole of the advice along. */
import { openCase } from "#core/advice/judge/case.ts";
import { wholeChart } from "#core/chart/whole-chart.ts";
import type { Entry, InstrumentMessage } from "#core/log/schema.ts";
import { chartCsv } from "./chart-csv.ts";

/** @returns the chart as CSV; nothing where the setting is a guess, or the log cannot be advised on */
export function chartFile(
  entries: readonly Entry[],
  messages: readonly InstrumentMessage[],
): string | undefined {
  try {
    const cells = wholeChart(openCase(entries, { messages }));
    return cells.length === 0 ? undefined : chartCsv(cells);
  } catch (error) {
    // What cannot be advised on is exported all the same.
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}

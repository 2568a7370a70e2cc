/** Monthly climate table: low, high, humidity. */
import { fractionOf, kelvinOf } from "../forecast/columns.ts";
import { unitInHead } from "../forecast/heads.ts";
import type { Table } from "../forecast/table.ts";
import { ClimateMonth } from "../log/schema.ts";

const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

function monthOf(text: string): number {
  const said = text.trim().toLowerCase();
  const named = MONTHS.findIndex((name) => said.startsWith(name));
  return named >= 0 ? named + 1 : Number(said.slice(-2));
}

/**
 * @returns the months, in order
 * @throws {RangeError} in the tuner's words, with the row that is wrong
 */
export function readClimate({ names, rows }: Table): ClimateMonth[] {
  const column = (words: RegExp): number => names.findIndex((name) => words.test(name));
  const [month, low, high] = [column(/month/i), column(/low|min|cold/i), column(/high|max|warm/i)];
  const humidity = column(/humid|^rh\b/i);
  if (month === -1 || low === -1 || high === -1)
    throw new RangeError(
      "A climate table needs columns named month, low and high (and humidity, if it is known).",
    );
  const cells = rows.map((row) => Number((row[high] ?? "").replace(",", ".")));
  const fahrenheit =
    [low, high].some((at) => unitInHead(names[at] ?? "") === "°F") || Math.max(...cells) > 57;
  const unit = fahrenheit ? "°F" : "°C";
  const humidityUnit =
    humidity >= 0 && rows.every((row) => Number((row[humidity] ?? "").replace(",", ".")) <= 1)
      ? "0 to 1"
      : "%";
  const found = rows.map((row, i): ClimateMonth => {
    const read = ClimateMonth.safeParse({
      month: monthOf(row[month] ?? ""),
      lowK: kelvinOf(row[low] ?? "", unit),
      highK: kelvinOf(row[high] ?? "", unit),
      humidity: humidity === -1 ? 0.6 : fractionOf(row[humidity] ?? "", humidityUnit),
    });
    if (!read.success || read.data.lowK > read.data.highK)
      throw new RangeError(
        `Row ${i + 1} of the table (${row.join(" · ").slice(0, 60)}) is no month with a low and a high.`,
      );
    return read.data;
  });
  const twice = found.find(({ month: one }, i) => found.findIndex((other) => other.month === one) !== i);
  if (twice) throw new RangeError(`Month ${twice.month} stands twice in the table.`);
  return found.sort((a, b) => a.month - b.month);
}

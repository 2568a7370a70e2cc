/** A day in a line, as a tuner would tell it: what changed, what was seen, and whether it was better. */
import { changedParts } from "#core/log/settings.ts";
import type { LogLine, Present } from "#core/log/present.ts";
import { dayOf, type Setting } from "#core/log/schema.ts";
import { countWords } from "#app/vocabulary/counts.ts";
import { PART_NAMES, partValue } from "#app/vocabulary/parts.ts";

const changeWords = (from: Setting, to: Setting): string =>
  changedParts(from, to)
    .map(
      (part) =>
        `${PART_NAMES[part].toLowerCase()} ${partValue(part, from[part])} → ${partValue(part, to[part])}`,
    )
    .join(", ");

/** @param after - what was fitted when the day was over, on the first carburettor */
function summaryOf(lines: readonly LogLine[], after: Setting | undefined): string {
  const looks = lines.filter(({ entry, struck }) => entry.kind === "look" && !struck);
  const before = lines.find((line) => line.before !== undefined)?.before;
  const changed = before && after ? changeWords(before, after) : "";
  const said = looks
    .flatMap(({ entry }) =>
      entry.kind === "look" && entry.reading.type === "compared" ? [entry.reading.verdict] : [],
    )
    .at(-1);
  const parts = [
    changed === "" && before ? "as it was" : changed,
    looks.length > 0 ? countWords(looks.length, "look") : "",
    said === undefined ? "" : `said ${said}`,
  ].filter((part) => part !== "");
  const text = parts.join(" · ");
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** @returns the line of each day, by its date; what is filtered away on the screen counts too */
export function daySummaries({
  lines,
  setting,
}: Pick<Present, "lines" | "setting">): ReadonlyMap<string, string> {
  const days = new Map<string, LogLine[]>();
  for (const line of lines) {
    const day = dayOf(line.entry.at);
    const same = days.get(day);
    if (same) same.push(line);
    else days.set(day, [line]);
  }
  const summaries = new Map<string, string>();
  let after = setting;
  for (const [day, ofDay] of [...days].reverse()) {
    summaries.set(day, summaryOf(ofDay, after));
    after = ofDay[0]?.before ?? after;
  }
  return summaries;
}

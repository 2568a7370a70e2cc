import { air, build, fit, look, plug } from "../../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { matching, prepareTexts, type Writing } from "./line-text.ts";

const { lines } = fold([
  build(),
  air("0001", "08:30"),
  plug("0001", "08:40", "top", "cocoa"),
  look("0002", "09:00"),
  fit("0001", "09:10", 160),
]);
const units = Preferences.parse({});
const writing: Writing = { units, stoichiometric: 14.7 };
const ids = (search: string, how = writing) => matching(lines, search, how).map(({ entry }) => entry.id);

it("finds what has every word, in any order and case", () => {
  expect(ids("Main 160")).toEqual(["fit:0001"]);
  expect(ids("160 MAIN")).toEqual(["fit:0001"]);
  expect(ids("cocoa 2026-05-23")).toEqual(["look:0001"]);
  expect(ids("main cocoa")).toEqual([]);
  expect(matching(lines, "  ", writing)).toBe(lines);
});

it("writes figures as they are read now, not as they were read before", async () => {
  await prepareTexts(lines, writing);
  const celsius = ids("°c");
  expect(celsius).toEqual(["air:0001"]);
  const imperial = { ...writing, units: { ...units, temperature: "°F" as const } };
  expect(ids("°f", imperial)).toEqual(["air:0001"]);
  expect(ids("°c", imperial)).toEqual([]);
});

it("tells a change anew once something else was fitted before it", () => {
  const first = fold([build(), fit("0001", "09:00", 160)]).lines;
  const later = first[1]?.entry;
  if (!later) throw new Error("two lines");
  expect(matching(first, "165 160", writing)).toHaveLength(1);
  const again = fold([build(), fit("0000", "08:30", 158), later]).lines;
  expect(matching(again, "158 160", writing).map(({ entry }) => entry.id)).toEqual(["fit:0001"]);
  expect(matching(again, "165 160", writing)).toEqual([]);
});

it("stops preparing when nobody waits any more", async () => {
  const stop = new AbortController();
  stop.abort();
  const many = Array.from({ length: 2000 }, () => ({ ...(lines[1] as (typeof lines)[number]) }));
  await prepareTexts(many, writing, stop.signal);
  expect(matching(many, "brume", writing)).toHaveLength(2000);
});

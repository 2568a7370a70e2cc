import { at, build, fit, look } from "../../../core/__tests__/entries.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";
import { fold } from "#core/log/fold.ts";
import { NO_FILTERS } from "#app/frame/log-search/filters.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { hitsIn, NOTHING_WANTED, type Wanted } from "./hits.ts";
import type { RigRead } from "./rigs-read.ts";

const writing = { units: Preferences.parse({}), stoichiometric: 14.7 };
const read = (id: string, entries: Parameters<typeof fold>[0]): RigRead => ({
  header: { ...ENDURO_HEADER, id },
  lines: fold(entries).lines,
  writing,
});
const rigs = [
  read("rig:one", [
    build(),
    fit("0001", "09:00", 160),
    { ...look("0002", "10:00"), at: at("10:00", "2026-05-25") },
  ]),
  read("rig:two", [build(), { ...fit("0003", "09:00", 160), at: at("09:00", "2026-05-24") }]),
];
const found = (wanted: Partial<Wanted>) =>
  hitsIn(rigs, { ...NOTHING_WANTED, ...wanted })?.map(({ header, line }) => `${header.id} ${line.entry.id}`);

it("finds in all rigs, newest first", () => {
  expect(found({ search: "main 160" })).toEqual(["rig:two fit:0003", "rig:one fit:0001"]);
});
it("finds in one rig, and by what a log is filtered by", () => {
  expect(found({ search: "main 160", rigId: "rig:one" })).toEqual(["rig:one fit:0001"]);
  expect(found({ filters: { ...NO_FILTERS, kind: "look" } })).toEqual(["rig:one look:0002"]);
});
it("answers nothing where nothing is asked, and says so where nothing is found", () => {
  expect(found({ search: "  " })).toBeUndefined();
  expect(found({ search: "carrot" })).toEqual([]);
});

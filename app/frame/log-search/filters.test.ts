import { air, at, build, fit, fitPart, plug } from "../../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import type { Entry } from "#core/log/schema.ts";
import { filtered, kindsIn, NO_FILTERS, placesIn, type Filters } from "./filters.ts";

const elsewhere: Entry[] = [
  {
    ...(air("0002", "09:00") as Extract<Entry, { kind: "air" }>),
    place: "Quai Nord",
    at: at("09:00", "2026-05-24"),
  },
  plug("0003", "10:00", "top", "cocoa"),
].map((entry) => ({ ...entry, at: entry.at.replace("2026-05-23", "2026-05-24") }));
const { lines } = fold([
  build(),
  air("0001", "08:30"),
  plug("0001", "08:40", "top", "biscuit"),
  plug("0002", "08:50", "mid", "straw"),
  fit("0001", "09:00", 160),
  fitPart("0002", "09:10", "clip", 2),
  ...elsewhere,
]);
const ids = (change: Partial<Filters>) =>
  filtered(lines, { ...NO_FILTERS, ...change }).map(({ entry }) => entry.id);

describe("the log by what is looked for", () => {
  it("is all of it where nothing is asked", () => expect(filtered(lines, NO_FILTERS)).toBe(lines));

  it.each<[Partial<Filters>, string[]]>([
    [{ kind: "fit" }, ["fit:0001", "fit:0002"]],
    [{ zone: "mid" }, ["look:0002"]],
    [{ part: "clip" }, ["fit:0002"]],
    [{ place: "quai nord" }, ["air:0002", "look:0003"]],
    [{ kind: "look", zone: "top", place: "Col de la Brume" }, ["look:0001"]],
    [{ kind: "note" }, []],
  ])("%j", (change, found) => expect(ids(change)).toEqual(found));

  it("offers the kinds and places that there are", () => {
    expect(kindsIn(lines)).toEqual(["build", "air", "look", "fit"]);
    expect(placesIn(lines)).toEqual(["Col de la Brume", "Quai Nord"]);
  });
});

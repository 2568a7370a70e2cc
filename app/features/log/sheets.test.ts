import Papa from "papaparse";
import { air, at, build, fit, plug } from "../../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import type { Entry } from "#core/log/schema.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { sheetCsv, sheetOf } from "./sheets.ts";

const hostile = { ...(air("0002", "10:00") as Extract<Entry, { kind: "air" }>), place: '=HYPERLINK("x")' };
const run: Entry = { id: "run:0001", at: at("09:20"), kind: "run", run: { what: "lap", seconds: 62.5 } };
const strike: Entry = { id: "strike:01", at: at("11:00"), kind: "strike", strikes: "look:0002", why: "" };
const present = fold([
  build(),
  air("0001", "08:30"),
  plug("0001", "08:40", "top", "biscuit"),
  plug("0002", "08:50", "mid", "straw"),
  fit("0001", "09:00", 160),
  run,
  hostile,
  strike,
]);
const units = Preferences.parse({});
const rowsOf = async (name: "looks" | "runs" | "airs") =>
  Papa.parse<Record<string, string>>(await sheetCsv(sheetOf(name, present, units, 14.6)), { header: true })
    .data;

describe("the log for a spreadsheet", () => {
  it("has a row a look that stands, with what was fitted and what the air was", async () => {
    const looks = await rowsOf("looks");
    expect(looks).toHaveLength(1);
    expect(looks[0]).toMatchObject({
      at: at("08:40"),
      says: expect.stringContaining("biscuit") as string,
      main: "165",
      "temperature C": "24",
      "pressure hPa": "863",
      place: "Col de la Brume",
    });
    // The worked air of the physics' own check.
    expect(Number(looks[0]?.["dry density kg/m3"])).toBeCloseTo(0.99591, 4);
  });

  it("has a row a run, with what was fitted by then", async () => {
    expect(await rowsOf("runs")).toMatchObject([
      { main: "160", figure: expect.stringContaining("1:02.5") as string },
    ]);
  });

  it("has every air, and none of its words is run by a spreadsheet", async () => {
    const airs = await rowsOf("airs");
    expect(airs.map(({ place }) => place)).toEqual(["Col de la Brume", `'=HYPERLINK("x")`]);
  });
});

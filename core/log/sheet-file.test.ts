/** Files and forms of the box and of base sheets: what comes in, what is refused, what goes out again. */
import { readSheetFile } from "./sheet-file.ts";
import type { BaseSheet } from "./schema.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";

describe("base sheets as a file", () => {
  const sheet: BaseSheet = { stamp: "A 12", source: "", setting: ENDURO_BUILD.baseline.setting, limits: {} };
  const text = (sheets: unknown[], change: object = {}) =>
    JSON.stringify({ format: "tamis-base-sheets", version: 1, sheets, ...change });

  it("give the good ones and name the bad ones", () => {
    const read = readSheetFile(text([sheet, { ...sheet, stamp: "B 7", setting: { main: 3 } }, 7]));
    expect(read).toMatchObject({
      ok: true,
      sheets: [sheet],
      bad: [
        { line: 2, text: "B 7" },
        { line: 3, text: "without a number" },
      ],
    });
  });

  it.each([
    ["no JSON", "sheet", "not JSON"],
    ["another format", '{"format":"tamis"}', "no file of base sheets"],
    ["a newer version", text([], { version: 2 }), "reads version 1"],
    ["no list", text([], { sheets: 3 }), "no file of base sheets"],
  ])("are refused when the file is %s", (_, content, words) => {
    const read = readSheetFile(content);
    expect(!read.ok && read.message).toContain(words);
  });
});

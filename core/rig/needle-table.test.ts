import { MOST_NEEDLE_POINTS, readNeedleTable } from "./needle-table.ts";

const rows = (text: string) => text.split("\n").map((line) => line.split("\t"));

it("is read as pasted: with a heading, with commas, with empty rows", () => {
  expect(readNeedleTable(rows("along\tthickness\n0\t2,51\n\n22.5\t2.51\n40\t2.1\n"))).toEqual({
    ok: true,
    readAs: "mm",
    profile: [
      { alongMm: 0, diameterMm: 2.51 },
      { alongMm: 22.5, diameterMm: 2.51 },
      { alongMm: 40, diameterMm: 2.1 },
    ],
  });
});

it("in inches is told by its thickness, and turned into millimetres", () => {
  // 0.0985 in x 25.4 = 2.5019 mm, 0.9 in = 22.86 mm
  expect(readNeedleTable(rows("0\t0.0985\n0.9\t0.0985"))).toMatchObject({
    readAs: "in",
    profile: [
      { alongMm: 0, diameterMm: 2.5019 },
      { alongMm: 22.86, diameterMm: 2.5019 },
    ],
  });
});

it.each([
  ["0\t2.51\n10", 2, "a number is missing"],
  ["0\t2.51\n10\tthick", 2, "“thick” is not a number"],
  ["0\t2.51\n20\t2.4\n10\t2.3", 3, "further along"],
  ["0\t2.51\n0\t2.4", 2, "further along"],
  ["0\t2.51", 1, "two points or more"],
  ["", 1, "two points or more"],
  ["0\t2.51\t7", 1, "more than two columns"],
  ["1,013.25\t2.51\n2\t2.5", 1, "is not a number"],
  [Array.from({ length: MOST_NEEDLE_POINTS + 1 }, (_, i) => `${i}\t2.5`).join("\n"), 41, "at most 40"],
])("%j is refused at its row", (text, line, words) => {
  expect(readNeedleTable(rows(text))).toEqual({
    ok: false,
    line,
    problem: expect.stringContaining(words) as string,
  });
});

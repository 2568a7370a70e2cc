import type { Box } from "../log/schema.ts";
import { boxFromRows, boxToRows, mergeBoxes, type BoxRow } from "./box-table.ts";

const row = (part: string, size: string, more: Partial<BoxRow> = {}): BoxRow => ({
  part,
  size,
  drilled_mm: "",
  family: "",
  flow_number: "",
  flow_diameter_mm: "",
  ...more,
});
const BOX: Box = {
  pilots: [42, 45],
  mains: [150, 152.5],
  shimsMm: [-0.3, 0.5],
  drilled: [{ part: "main", stamped: 148, measuredMm: 1.58 }],
  families: [
    {
      name: "Hex",
      part: "main",
      numbering: { by: "flow", referenceNumber: 100, referenceDiameterMm: 1 },
      sizes: [210, 225],
    },
    { name: "Long", part: "pilot", numbering: { by: "diameter" }, sizes: [44] },
  ],
};

describe("a box as rows", () => {
  it("goes out and comes back unchanged", () => {
    expect(boxFromRows(boxToRows(BOX))).toEqual({ box: BOX, good: 10, bad: [] });
  });

  it("takes commas and capitals, and each size once", () => {
    const { box } = boxFromRows([row("Main", "152,5"), row("main", "152.5"), row(" PILOT ", "45")]);
    expect(box).toEqual({ pilots: [45], mains: [152.5], shimsMm: [] });
  });

  it.each([
    [row("jet", "150"), "part must be pilot, main or shim"],
    [row("main", ""), "size is missing"],
    [row("main", "big"), "“big” is no size"],
    [row("main", "2000"), "number is 5 to 999"],
    [row("shim", "9"), "a shim has -5 to 5 mm"],
    [row("main", "150", { drilled_mm: "15" }), "drilled_mm must be a hole of 0.1 to 5 mm"],
    [row("main", "150", { family: "Hex", flow_number: "100" }), "flow_diameter_mm must be a hole"],
    [row("main", "150", { family: "Hex", flow_number: "x", flow_diameter_mm: "1" }), "flow_number must be"],
    [row("main", "150", { family: "x".repeat(61) }), "at most 60 signs"],
  ])("names the row that cannot be: %j", (wrong, words) => {
    const { good, bad, box } = boxFromRows([row("main", "150"), wrong, row("main", "155")]);
    expect(bad).toHaveLength(1);
    expect(bad[0]).toMatchObject({ line: 3 });
    expect(bad[0]?.problem).toContain(words);
    expect([good, box.mains]).toEqual([2, [150, 155]]);
  });
});

describe("two boxes in one", () => {
  it("hold everything once, whichever comes first", () => {
    const other: Box = { ...BOX, mains: [155, 150], families: [{ ...BOX.families![0]!, sizes: [240] }] };
    const both = mergeBoxes(BOX, other);
    expect(both.mains).toEqual([150, 152.5, 155]);
    expect(both.drilled).toHaveLength(1);
    expect(both.families?.map(({ sizes }) => sizes)).toEqual([[210, 225, 240], [44]]);
    expect(mergeBoxes(both, BOX)).toEqual(both);
  });
});

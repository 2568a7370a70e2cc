import { Blob as NodeBlob } from "node:buffer";
import type { Box } from "#core/log/schema.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { boxCsv, readBoxFile, readBoxText } from "./csv.ts";
import { BoxForm, boxTexts } from "./form.ts";

const BOX: Box = {
  pilots: [42, 45],
  mains: [150, 152.5],
  shimsMm: [0.5],
  drilled: [{ part: "main", stamped: 148, measuredMm: 1.58 }],
  families: [
    {
      name: "Hex; long",
      part: "main",
      numbering: { by: "flow", referenceNumber: 100, referenceDiameterMm: 1 },
      sizes: [210, 225],
    },
  ],
};
/** jsdom's Blob gives no bytes. */
const file = (content: string | Uint8Array) => new NodeBlob([content]) as unknown as Blob;

describe("a box as CSV", () => {
  it("goes out and comes back unchanged", async () => {
    expect(await readBoxFile(file(boxCsv(BOX)))).toEqual({ ok: true, read: { box: BOX, good: 8, bad: [] } });
  });

  it.each(["=1+1", "+cmd", "-2+3", "@sum", "\t=1", " =1", "＝1", "|calc", "−9+9"])(
    "writes %j so that a spreadsheet shows it, and reads it as it was",
    async (name) => {
      const box = { ...BOX, families: BOX.families?.map((family) => ({ ...family, name })) };
      const text = boxCsv(box);
      const cells = text.split(/\r?\n/).flatMap((line) => line.split(","));
      expect(cells.some((cell) => cell.replace(/^"/, "").startsWith(`'${name.slice(0, 1)}`))).toBe(true);
      const read = await readBoxFile(file(text));
      expect(read.ok && read.read.box.families?.[0]?.name).toBe(name.trim());
    },
  );

  it("leaves a number with its sign a number", () => {
    const text = boxCsv({ ...BOX, shimsMm: [-0.5, 0.5] });
    expect(text).toContain("-0.5");
    expect(text).not.toContain("'-0.5");
  });

  it("takes semicolons, a byte order mark, capitals and decimal commas", async () => {
    const read = await readBoxFile(file("\uFEFFPart;Size\nmain;152,5\nPILOT;45\n;\n"));
    expect(read.ok && read.read.box).toMatchObject({ mains: [152.5], pilots: [45] });
  });

  it.each([
    ["two columns of a spreadsheet", "main\t152,5\nmain\t155\npilot\t45\n"],
    ["a list as one types it", "main 152.5\nmain  155\nPilot 45"],
    ["a CSV", "part;size\nmain;152,5\nmain;155\npilot;45"],
  ])("takes %s, pasted", (_, text) => {
    expect(readBoxText(text)).toEqual({
      ok: true,
      read: { box: { pilots: [45], mains: [152.5, 155], shimsMm: [] }, good: 3, bad: [] },
    });
  });

  it("names a bad row of what was pasted as it was counted there", () => {
    const read = readBoxText("main 150\nmain big\nhorn 3");
    expect(read.ok && read.read.bad.map(({ line }) => line)).toEqual([2, 3]);
    expect(readBoxText("some words\nand more")).toMatchObject({ ok: false });
  });

  it("reads a table in an old code page", async () => {
    const read = await readBoxFile(file(Buffer.from("part,size,note\nmain,152,caf\xe9\n", "latin1")));
    expect(read.ok && read.read.box.mains).toEqual([152]);
  });

  it("names each bad row by its number, and says nothing of the good ones", async () => {
    const read = await readBoxFile(file("part,size\nmain,150\nmain,big\nhorn,3\n"));
    expect(read.ok && read.read.bad.map(({ line, problem }) => [line, problem])).toEqual([
      [3, "“big” is no size"],
      [4, "part must be pilot, main or shim"],
    ]);
    expect(read.ok && read.read.good).toBe(1);
  });

  it.each([
    ["an empty file", "", "is empty"],
    ["no heading", "150,152\n155,158", "part and size is missing"],
    ["a picture", new Uint8Array([0x89, 0x50, 0, 0, 1]), "no text file"],
    ["a novel", "x".repeat(300_000), "too large"],
    ["too many rows", `part,size\n${"main,150\n".repeat(1001)}`, "at most 1000"],
  ])("is refused when it is %s", async (_, content, words) => {
    const read = await readBoxFile(file(content));
    expect(!read.ok && read.message).toContain(words);
  });
});

describe("a box as typed", () => {
  it("opens and reads back unchanged", () => {
    expect(BoxForm.parse(boxTexts(BOX))).toEqual(BOX);
    expect(BoxForm.parse(boxTexts(ENDURO_BUILD.box))).toEqual(ENDURO_BUILD.box);
  });

  it("says at each field what is wrong there", () => {
    const texts = boxTexts(BOX);
    texts.mains = "150, large";
    texts.drilled[0]!.measuredMm = "15";
    texts.families[0]!.name = " ";
    const paths = BoxForm.safeParse(texts).error?.issues.map(({ path }) => path.join("."));
    expect(paths).toEqual(expect.arrayContaining(["mains", "drilled.0.measuredMm", "families.0.name"]));
    texts.families[0]!.numbering.referenceNumber = "";
    expect(BoxForm.safeParse(texts).error?.issues.map(({ path }) => path.join("."))).toContain(
      "families.0.numbering.referenceNumber",
    );
  });
});

/** Files and forms of the box and of base sheets: what comes in, what is refused, what goes out again. */
import { readSheetFile } from "#core/log/sheet-file.ts";
import type { BaseSheet, Box } from "#core/log/schema.ts";
import { onTray } from "#core/log/tray.ts";
import type { TeardownEntry } from "#core/log/schema.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { scaledDown } from "#app/workers/photo.ts";
import { boxCsv, readBoxFile } from "./box-csv.ts";
import { BoxForm, boxTexts } from "./box-form.ts";

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
/** jsdom's Blob cannot be read as text. */
const file = (content: string | Uint8Array) => {
  const bytes = typeof content === "string" ? Buffer.from(content) : Buffer.from(content);
  return { size: bytes.length, text: () => Promise.resolve(new TextDecoder().decode(bytes)) } as Blob;
};

describe("a box as CSV", () => {
  it("goes out and comes back unchanged", async () => {
    expect(await readBoxFile(file(boxCsv(BOX)))).toEqual({ ok: true, read: { box: BOX, good: 8, bad: [] } });
  });

  it("takes semicolons, a byte order mark, capitals and decimal commas", async () => {
    const read = await readBoxFile(file("\uFEFFPart;Size\nmain;152,5\nPILOT;45\n;\n"));
    expect(read.ok && read.read.box).toMatchObject({ mains: [152.5], pilots: [45] });
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
    ["another encoding", new Uint8Array([0x70, 0xff, 0xfe, 0x6d]), "no text file"],
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
    texts.families[0]!.referenceNumber = "";
    expect(BoxForm.safeParse(texts).error?.issues.map(({ path }) => path.join("."))).toContain(
      "families.0.referenceNumber",
    );
  });
});

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

describe("the parts tray", () => {
  const step = (id: string, name: TeardownEntry["step"], moved: "out" | "in", at: string): TeardownEntry => ({
    id: `teardown:${id}`,
    at: `2026-05-23T${at}:00+02:00`,
    kind: "teardown",
    step: name,
    moved,
    reads: id,
    torque: "",
    note: "",
    photos: [{ id: `photo:${id}`, widthPx: 1, heightPx: 1 }],
  });
  it("holds what is out in the order it came out, with all its photos", () => {
    const tray = onTray([
      step("0001", "slide", "out", "09:00"),
      step("0002", "mainJet", "out", "09:10"),
      step("0003", "slide", "out", "09:20"),
      step("0004", "mainJet", "in", "10:00"),
    ]);
    expect(tray.map(({ step: name }) => name)).toEqual(["slide"]);
    expect(tray[0]).toMatchObject({ reads: "0003", at: "2026-05-23T09:00:00+02:00" });
    expect(tray[0]?.photos).toHaveLength(2);
  });
});

describe("photos", () => {
  it("keep their proportion and never grow", () => {
    expect(scaledDown(4000, 3000)).toEqual({ widthPx: 1280, heightPx: 960 });
    expect(scaledDown(600, 800)).toEqual({ widthPx: 600, heightPx: 800 });
    expect(scaledDown(5000, 1)).toEqual({ widthPx: 1280, heightPx: 1 });
  });
});

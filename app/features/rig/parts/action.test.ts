/** Into the box, out of it, into the carburettor: what is logged of parts, and what is refused where it stands. */
import { build, fitPart as fitEntry } from "../../../../core/__tests__/entries.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import type { BenchPart } from "#core/log/part-schema.ts";
import { withStraight } from "#core/rig/needle-shape.ts";
import { freshRig, logged, present, sent } from "#app/testing/rig.ts";
import { PartForm, partTexts, type PartTexts } from "./form.ts";
import { clientAction } from "./route.tsx";

const { needle } = ENDURO_BUILD.carburettor;
const thick: BenchPart = { kind: "needle", name: "thick", needle: withStraight(needle, 0.02) };
const wide: BenchPart = { kind: "needleJet", name: "wide", needleJetMm: 2.7 };

interface Answer {
  readonly data: { message?: string; fields?: Record<string, string>; logged?: string[]; seen?: string };
  readonly init: { status?: number } | null;
}
const ask = async (content: object): Promise<Answer["data"]> =>
  ((await clientAction(sent(content))) as unknown as Answer).data;
const typed = (part: BenchPart): PartTexts => ({
  ...partTexts(
    part.kind === "needle"
      ? { carburettor: { ...ENDURO_BUILD.carburettor, needle: part.needle } }
      : ENDURO_BUILD,
  ),
  ...Object.fromEntries(Object.entries(part).map(([name, value]) => [name, String(value)])),
  kind: part.kind,
});
const added = (part: BenchPart) => ({ intent: "add", part: typed(part), carburettor: 0 });
const add = (part: BenchPart) => ask(added(part));
const logged1 = { logged: [expect.any(String)], seen: expect.any(String) as string };
const fit = (name: string, outName = "the old one") => ask({ intent: "fit", name, outName, carburettor: 0 });
const boxOf = async () => (await present()).build?.box.parts ?? [];

beforeEach(() => freshRig([build(), fitEntry("0001", "08:30", "main", 160)]));
afterEach(() => jest.restoreAllMocks());

it("a part goes into the box beside the others, and out of it again", async () => {
  expect(await add(thick)).toEqual(logged1);
  expect(await add(wide)).toEqual(logged1);
  expect(await boxOf()).toEqual([thick, wide]);
  expect(await ask({ intent: "remove", name: "thick" })).toEqual(logged1);
  expect(await boxOf()).toEqual([wide]);
  expect((await ask({ intent: "remove", name: "thick" })).message).toContain("no longer in the box");
});

it("two of one name, and one that cannot be in here, are refused at their field, and nothing is logged", async () => {
  await add(thick);
  const before = await logged();
  expect((await add({ ...wide, name: "thick" })).fields).toEqual({
    "part.name": "There is a part of that name already.",
  });
  const fat: BenchPart = { ...thick, name: "fat", needle: withStraight(needle, 0.3) };
  expect((await add(fat)).fields?.["part.profile"]).toContain("thinner than its jet");
  const spring: BenchPart = { kind: "slideSpring", name: "spring", depressionPa: 2500 };
  expect((await add(spring)).fields?.["part.depressionPa"]).toContain("vacuum slide’s");
  const huge: BenchPart = { kind: "slide", name: "huge", cutawayMm: 12 };
  expect(await add({ ...huge, cutawayMm: 99 })).toMatchObject({
    message: expect.stringContaining("Nothing was saved") as string,
  });
  expect(await logged()).toEqual(before);
});

it("fitted, it is another part: the open change is over, what came out lies in the box", async () => {
  await add(thick);
  expect(await fit("thick")).toEqual(logged1);
  const now = await present();
  expect(now.build?.carburettor.needle).toEqual(withStraight(needle, 0.02));
  expect(now.build?.baseline).toEqual(ENDURO_BUILD.baseline);
  expect(now.build?.box.parts).toEqual([thick, { kind: "needle", name: "the old one", needle }]);
  expect(now.setting?.main).toBe(160);
  expect(now.openChange).toBeUndefined();
  expect(now.reopenings).toEqual([["needle"]]);
  expect((await logged()).at(-1)).toMatchObject({ kind: "build", why: "Fitted needle “thick” from the box" });
});

it("what comes out needs a name of its own, and a needle the grooves that are used", async () => {
  await add(thick);
  expect((await fit("thick", "thick")).fields).toEqual({ outName: "There is a part of that name already." });
  expect((await fit("thick", " ")).message).toContain("Nothing was saved");
  const short: BenchPart = { ...thick, name: "short", needle: { ...needle, grooves: 2, referenceClip: 2 } };
  await freshRig([build("08:00", { box: { ...ENDURO_BUILD.box, parts: [short] } })]);
  expect((await fit("short")).message).toBe(
    "This needle has 2 grooves; the clip is, or was when the setting was right, in groove 3.",
  );
  expect((await fit("nobody’s")).message).toContain("no longer in the box");
  expect((await ask({ intent: "fit", name: "short", outName: "x", carburettor: 4 })).message).toBeDefined();
});

it("what another tab has put in the box meanwhile is told, and nothing is lost", async () => {
  await add(thick);
  const answer = await ask({ ...added(wide), seen: "box:of-before" });
  expect(answer.seen).toBeDefined();
  expect(await boxOf()).toEqual([thick]);
});

describe("a part as typed", () => {
  const texts = (change: Partial<PartTexts>): PartTexts => ({
    ...partTexts(ENDURO_BUILD),
    name: "B",
    ...change,
  });
  const read = (change: Partial<PartTexts>) => PartForm.safeParse(texts(change));
  const problems = (change: Partial<PartTexts>) => {
    const parsed = read(change);
    return parsed.success
      ? []
      : parsed.error.issues.map(({ path, message }) => `${path.join(".")}: ${message}`);
  };

  it("begins as the one that is fitted", () => {
    expect(read({}).data).toEqual({ kind: "needle", name: "B", needle });
    expect(read({ kind: "needleJet" }).data).toEqual({ kind: "needleJet", name: "B", needleJetMm: 2.68 });
    expect(read({ kind: "slide" }).data).toEqual({ kind: "slide", name: "B", cutawayMm: 4 });
    expect(read({ kind: "emulsionTube" }).data).toEqual({ kind: "emulsionTube", name: "B", drilled: true });
    expect(read({ kind: "airJet", holeMm: "1,2" }).data).toEqual({
      kind: "airJet",
      name: "B",
      path: "main",
      holeMm: 1.2,
    });
  });

  it("a needle's table is read in inches too, and refused at its row", () => {
    const inches = read({ profile: "0 0.0992\n0.433 0.0992\n0.945 0.0886\n1.575 0.061" }).data;
    expect(inches?.kind === "needle" && inches.needle.profile[0]).toEqual({ alongMm: 0, diameterMm: 2.5197 });
    expect(problems({ profile: "0 2.52\n11 two" })).toEqual(["profile: Row 2: “two” is not a number."]);
    expect(problems({ profile: "11 2.52\n0 2.5" })).toEqual([
      "profile: Row 2: it must lie further along than the row before, from the grooves to the tip.",
    ]);
    expect(problems({ profile: "" })[0]).toMatch(/^profile: /);
    expect(problems({ profile: "0 2.52\n11 99" })[0]).toMatch(/^profile: /);
  });

  it("what is no measure is said at its own field, a name that is missing too", () => {
    expect(problems({ kind: "needleJet", needleJetMm: "wide" })).toEqual([
      "needleJetMm: “wide” is not a number.",
    ]);
    expect(problems({ kind: "needleJet", needleJetMm: "99" })[0]).toMatch(/^needleJetMm: /);
    expect(problems({ name: "  " })[0]).toMatch(/^name: /);
    expect(problems({ grooves: "2.5" })[0]).toMatch(/^grooves: /);
    expect(problems({ kind: "slideSpring" })).toEqual(["depressionPa: Type a number here."]);
  });
});

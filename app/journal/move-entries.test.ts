import { air, at, build, fit, look } from "../../core/__tests__/entries.ts";
import { ENDURO_BUILD, ENDURO_HEADER } from "#demo/enduro-build.ts";
import { freshRig, logged, RIG } from "#app/testing/rig.ts";
import { importRigs } from "#app/store/merge.ts";
import { readRig } from "#app/store/rig-log.ts";
import { rawData } from "#app/store/raw.ts";
import { fold } from "#core/log/fold.ts";
import { moveEntries } from "./move-entries.ts";

const OTHER = "rig:other-0001";
const other = { ...ENDURO_HEADER, id: OTHER, name: "Other" };

beforeEach(async () => {
  await freshRig([build(), air("0001", "08:30"), look("0001", "09:00"), fit("0002", "09:10", 152)]);
  await importRigs([{ header: other, entries: [build()] }]);
});

async function there() {
  const read = await readRig(OTHER);
  if (!read.ok) throw new Error(read.problem.message);
  return read.value.entries;
}

it("what was meant for another rig stands there at its own time, and is struck through here", async () => {
  expect(await moveEntries(RIG, OTHER, ["look:0001", "fit:0002"])).toEqual({
    ok: true,
    moved: 2,
    to: "Other",
  });
  const moved = (await there()).slice(1);
  expect(moved.map(({ kind, at: when }) => [kind, when])).toEqual([
    ["look", at("09:00")],
    ["fit", at("09:10")],
  ]);
  expect(fold(await there()).setting?.main).toBe(152);
  const here = fold(await logged());
  expect(here.setting?.main).toBe(ENDURO_BUILD.baseline.setting.main);
  expect(here.lines.filter(({ struck }) => struck).map(({ entry }) => entry.id)).toEqual([
    "look:0001",
    "fit:0002",
  ]);
});

it.each([
  ["to a rig that is gone", RIG, "rig:nowhere", ["look:0001"], "no rig"],
  ["to itself", RIG, RIG, ["look:0001"], "on this rig already"],
  ["what the machine itself is", RIG, OTHER, ["build:0001"], "of the machine itself"],
  ["what is not there", RIG, OTHER, ["look:0001", "look:9999"], "not all of them"],
])("nothing moves %s", async (_, from, to, ids, words) => {
  const before = JSON.stringify(await rawData());
  const answer = await moveEntries(from, to, ids);
  expect(answer).toMatchObject({
    ok: false,
    message: expect.stringMatching(new RegExp(words, "i")) as string,
  });
  expect(JSON.stringify(await rawData())).toBe(before);
});

it("nothing moves to a rig that was described only later: it would be seen by nobody", async () => {
  await freshRig([build(), look("0001", "09:00")]);
  await importRigs([{ header: other, entries: [build("10:00")] }]);
  expect(await moveEntries(RIG, OTHER, ["look:0001"])).toMatchObject({
    ok: false,
    message: expect.stringContaining("Other was first described on 2026-05-23 at 10:00") as string,
  });
});

it("what the other machine cannot have is refused by name", async () => {
  const clip = { ...fit("0003", "09:20", 152), changes: [{ part: "clip" as const, to: 5 }] };
  await freshRig([build(), clip]);
  const needle = { ...build(), kind: "build" as const } as Extract<
    ReturnType<typeof build>,
    { kind: "build" }
  >;
  const { carburettor, baseline } = needle.build;
  const short = {
    ...needle.build,
    carburettor: { ...carburettor, needle: { ...carburettor.needle, grooves: 3 } },
    baseline: { ...baseline, setting: { ...baseline.setting, clip: 2 } },
  };
  await importRigs([{ header: other, entries: [{ ...needle, build: short }] }]);
  expect(await moveEntries(RIG, OTHER, ["fit:0003"])).toMatchObject({
    ok: false,
    message: expect.stringMatching(/^Other cannot have that: .*clip.* Nothing was moved\.$/s) as string,
  });
});

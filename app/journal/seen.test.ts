import { build, fit } from "../../core/__tests__/entries.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { clientAction as box } from "#app/features/rig/box/route.tsx";
import { clientAction as describeRig } from "#app/features/rig/described/route.tsx";
import { clientAction as base } from "#app/features/rig/base/route.tsx";
import { boxTexts } from "#app/features/rig/box/form.ts";
import { buildTexts } from "#app/features/rig/described/texts.ts";
import { baseTexts } from "#app/features/rig/base/form.ts";
import { answerOf, freshRig, logged, present, refusal, sent } from "#app/testing/rig.ts";
import { newestOf } from "./seen.ts";

const jets = { ...ENDURO_BUILD.box, mains: [150, 155] };
const described = { ...buildTexts(ENDURO_BUILD), what: "measured", why: "" };
const { setting } = ENDURO_BUILD.baseline;
const sheet = baseTexts({ stamp: "A 1", source: "", setting, limits: {} });

beforeEach(() => freshRig([build(), fit("0001", "08:30", 160)]));

describe.each([
  ["the box", "box", (seen: string) => box(sent({ ...boxTexts(jets), seen }))],
  ["the rig", "build", (seen: string) => describeRig(sent({ ...described, seen }))],
  ["the base sheet", "base", (seen: string) => base(sent({ ...sheet, seen }))],
] as const)("%s in two tabs", (_, kind, save) => {
  it("saved in the same instant is saved once, and the other tab is told", async () => {
    const opened = newestOf(await present(), kind);
    const before = (await logged()).length;
    const answers = await Promise.all([save(opened), save(opened)]);
    expect((await logged()).length).toBe(before + 1);
    expect(answers.map((answer) => answerOf(answer).status).sort()).toEqual([200, 409]);
  });

  it("is saved by the first; the second is told, and goes over it when it saves once more", async () => {
    const opened = newestOf(await present(), kind);
    expect(answerOf(await save(opened)).status).toBeLessThan(400);
    const first = newestOf(await present(), kind);
    expect(first).not.toBe(opened);
    const told = (await refusal(() => save(opened))) as { message?: string; seen?: string };
    expect(told.message).toContain("saved elsewhere meanwhile");
    expect(told.seen).toBe(first);
    const before = (await logged()).length;
    expect(answerOf(await save(told.seen ?? "")).status).toBeLessThan(400);
    expect((await logged()).length).toBe(before + 1);
  });
});

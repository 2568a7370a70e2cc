/** Idle bench, idle speed, balance, cylinders, and change per carburettor: what they log, and what they refuse. */
import { air, at } from "../../../core/__tests__/entries.ts";
import type { Entry } from "#core/log/schema.ts";
import { TWIN } from "#demo/other-rigs.ts";
import { RIG, answerOf, freshRig, present, refused, sent } from "#app/testing/rig.ts";
import { clientAction as balance } from "./route.tsx";

const twin: Entry = {
  id: "build:twin",
  at: at("08:00"),
  kind: "build",
  build: { ...TWIN.build, carburettor: { ...TWIN.build.carburettor, pumpBaseTurns: 1.5 } },
  reopens: [],
  why: "",
};

beforeEach(() => freshRig([twin, air("twin", "08:30")]));

describe("the balance", () => {
  const content = {
    linkage: "shaft",
    allowedPa: 2700,
    speed: "idle",
    beforePa: [50_000, 56_000],
    afterPa: [53_000, 53_500],
    simulated: true,
  };
  it("is stored before and after, marked as simulated", async () => {
    expect(answerOf(await balance(sent(content))).location).toBe(`/rigs/${RIG}/cylinders`);
    expect((await present()).balances).toMatchObject([
      { speed: "idle", beforePa: [50_000, 56_000], afterPa: [53_000, 53_500], simulated: true },
    ]);
    expect((await present()).builds).toHaveLength(1);
  });
  it("keeps with the rig what was said of its linkage", async () => {
    await balance(sent({ ...content, linkage: "cables", allowedPa: 2000, simulated: false }));
    const { build, balances, builds } = await present();
    expect(build?.sync).toMatchObject({ linkage: "cables", vacuumSpreadPa: 2000, headerSpreadK: 30 });
    expect(builds).toHaveLength(2);
    expect(balances[0]?.simulated).toBeUndefined();
  });
  it("refuses another number of gauges than carburettors, and gauges that cannot be", async () => {
    const three = [1, 2, 3].map((n) => n * 10_000);
    expect(await refused(() => balance(sent({ ...content, beforePa: three, afterPa: three })))).toContain(
      "2 carburettors",
    );
    expect(await refused(() => balance(sent({ ...content, afterPa: [-5, 1e9] })))).toContain(
      "cannot be read",
    );
  });
});

/** Idle bench, idle speed, balance, cylinders, and change per carburettor: what they log, and what they refuse. */
import { air, at } from "../../../core/__tests__/entries.ts";
import type { Entry } from "#core/log/schema.ts";
import { TWIN } from "#demo/other-rigs.ts";
import { freshRig, sent, present, refused } from "#app/testing/rig.ts";
import { clientAction as idleSpeed } from "./route.tsx";

const twin: Entry = {
  id: "build:twin",
  at: at("08:00"),
  kind: "build",
  build: { ...TWIN.build, carburettor: { ...TWIN.build.carburettor, pumpBaseTurns: 1.5 } },
  reopens: [],
  why: "",
};

beforeEach(() => freshRig([twin, air("twin", "08:30")]));

describe("idle speed and pump", () => {
  it("are kept as they were set", async () => {
    await idleSpeed(sent({ what: "idleSpeed", figure: "1210" }));
    await idleSpeed(sent({ what: "spareIdleSpeed", figure: "900" }));
    await idleSpeed(sent({ what: "pump", figure: "1 3/4" }));
    const { adjusted } = await present();
    expect(adjusted.idleSpeed?.set).toEqual({ what: "idleSpeed", rpm: 1210 });
    expect(adjusted.spareIdleSpeed?.set).toEqual({ what: "spareIdleSpeed", rpm: 900 });
    expect(adjusted.pump?.set).toEqual({ what: "pump", turns: 1.75 });
  });
  it.each([
    ["idleSpeed", "fast", "300 to 8000"],
    ["idleSpeed", "12", "300 to 8000"],
    ["spareIdleSpeed", "1250", "below the idle of 1200"],
    ["pump", "-1", "0 to 20"],
    ["horn", "1", "Choose one"],
  ])("refuses %s at %s", async (what, figure, words) => {
    expect(await refused(() => idleSpeed(sent({ what, figure })))).toContain(words);
  });
});

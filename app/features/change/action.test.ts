/** Idle bench, idle speed, balance, cylinders, and change per carburettor: what they log, and what they refuse. */
import { air, at } from "../../../core/__tests__/entries.ts";
import type { Entry } from "#core/log/schema.ts";
import { TWIN } from "#demo/other-rigs.ts";
import { freshRig, sent, present, refused } from "#app/testing/rig.ts";
import { clientAction as change } from "./route.tsx";

const twin: Entry = {
  id: "build:twin",
  at: at("08:00"),
  kind: "build",
  build: { ...TWIN.build, carburettor: { ...TWIN.build.carburettor, pumpBaseTurns: 1.5 } },
  reopens: [],
  why: "",
};

beforeEach(() => freshRig([twin, air("twin", "08:30")]));

describe("a change on one carburettor", () => {
  const texts = { pilot: "38", screwTurns: "2 1/4", clip: "3", main: "122.5", shimMm: "0" };
  it("leaves the others as they are; without a number it is for all", async () => {
    await change(sent({ ...texts, carburettor: "2" }));
    expect((await present()).settings.map(({ main }) => main)).toEqual([120, 122.5]);
    await change(sent({ ...texts, main: "117.5", carburettor: "" }));
    expect((await present()).settings.map(({ main }) => main)).toEqual([117.5, 117.5]);
  });
  it("is refused where it is fitted there already, or the machine cannot have it", async () => {
    expect(await refused(() => change(sent({ ...texts, main: "120", carburettor: "1" })))).toContain(
      "Nothing differs",
    );
    expect(await refused(() => change(sent({ ...texts, clip: "9", carburettor: "2" })))).toContain("clip");
  });
});

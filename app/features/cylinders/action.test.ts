/** Idle bench, idle speed, balance, cylinders, and change per carburettor: what they log, and what they refuse. */
import { air, at } from "../../../core/__tests__/entries.ts";
import type { Entry } from "#core/log/schema.ts";
import { TWIN } from "#demo/other-rigs.ts";
import { writePreferences, readPreferences } from "#app/store/preferences.ts";
import { freshRig, present, refused, sent } from "#app/testing/rig.ts";
import { clientAction as cylinders } from "./route.tsx";
import { clientAction as headers } from "./headers.ts";
import { typedLook } from "#app/testing/typed-look.ts";
import { NOTHING_TYPED } from "#app/features/look/kinds.ts";
import { clientAction as look } from "#app/features/look/route.tsx";

const twin: Entry = {
  id: "build:twin",
  at: at("08:00"),
  kind: "build",
  build: { ...TWIN.build, carburettor: { ...TWIN.build.carburettor, pumpBaseTurns: 1.5 } },
  reopens: [],
  why: "",
};

beforeEach(() => freshRig([twin, air("twin", "08:30")]));

describe("the cylinders", () => {
  const plugs = { zone: "mid", cut: "clean" };
  it("are looked at side by side, each look with its cylinder", async () => {
    await cylinders(sent({ ...plugs, tones: ["biscuit", "umber"] }));
    await cylinders(sent({ ...plugs, tones: ["", "soot"] }));
    const seen = (await present()).looks.map(({ entry: { cylinder, reading } }) => [
      cylinder,
      reading.type === "plug" && reading.tone,
    ]);
    expect(seen).toEqual([
      [1, "biscuit"],
      [2, "umber"],
      [2, "soot"],
    ]);
  });
  it("have their header pipes measured, in the tuner's unit, with the spread that is allowed", async () => {
    await writePreferences({ ...(await readPreferences()), temperature: "°F" });
    await headers(sent({ texts: ["437", "410"], allowed: "36" }));
    const { headers: seen, build } = await present();
    expect(seen?.temperaturesK.map((kelvin) => Math.round(kelvin ?? 0))).toEqual([498, 483]);
    expect(build?.sync?.headerSpreadK).toBeCloseTo(20, 6);
  });
  it("refuse nothing looked at, one pipe alone, and what is no temperature", async () => {
    expect(await refused(() => cylinders(sent({ ...plugs, tones: ["", ""] })))).toContain(
      "at least one plug",
    );
    expect(await refused(() => cylinders(sent({ ...plugs, tones: ["biscuit", "", "soot"] })))).toContain(
      "at least one",
    );
    const pipes = { allowed: "" };
    expect(await refused(() => headers(sent({ ...pipes, texts: ["220", ""] })))).toContain("Two pipes");
    expect(await refused(() => headers(sent({ ...pipes, texts: ["220", "hot"] })))).toContain("texts.1");
    expect(await refused(() => headers(sent({ ...pipes, texts: ["220", "210"], allowed: "-3" })))).toContain(
      "allowed",
    );
  });
  it("name themselves in a single look too", async () => {
    const plug = { ...NOTHING_TYPED.plug, tone: "cocoa" };
    await look(sent(typedLook("plug", plug, { cylinder: 2 })));
    await look(sent(typedLook("plug", plug)));
    await refused(() => look(sent(typedLook("plug", plug, { cylinder: 7 }))));
    expect((await present()).looks.map(({ entry }) => entry.cylinder)).toEqual([2, undefined]);
  });
});

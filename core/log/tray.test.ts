import { onTray } from "./tray.ts";
import type { TeardownEntry } from "./schema.ts";

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

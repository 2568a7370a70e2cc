import { air, at, build, fit, fitPart, plug } from "../../__tests__/entries.ts";
import type { FaultName } from "../../log/fault-names.ts";
import { fold } from "../../log/fold.ts";
import type { Entry } from "../../log/schema.ts";
import { advise } from "./advise.ts";
import { settingBeforeFault } from "./mended.ts";

const mended = (fault: FaultName, time: string, is: "mended" | "notThis" = "mended"): Entry => ({
  id: `fault:${time.replace(":", "")}`,
  at: at(time),
  kind: "fault",
  fault,
  is,
  note: "",
});
/** Dark plugs with the choke open, jetted leaner for it; the screw went the other way. */
const jetted = [
  build(),
  air("0001", "08:30"),
  plug("0001", "09:00", "top", "soot"),
  fit("0002", "09:10", 158),
  fitPart("0003", "09:20", "screwTurns", 1.75),
  plug("0002", "09:30", "top", "umber"),
];
const next = (...after: Entry[]) => advise([...jetted, ...after]).next;

describe("a fault that made it rich, mended", () => {
  it("puts back first what was jetted leaner around it, and nothing that would lean it", () => {
    expect(next(mended("chokeOpen", "10:00"))).toEqual({
      kind: "putBack",
      mended: "chokeOpen",
      changes: expect.arrayContaining([{ part: "main", from: 158, to: 165 }]) as unknown,
    });
    const { befores } = settingBeforeFault(fold([...jetted, mended("chokeOpen", "10:00")])) ?? {};
    expect(befores?.[0]).toMatchObject({ main: 165, screwTurns: 1.5 });
  });

  it("is done with once something is fitted or looked at after it", () => {
    const word = mended("airJetsDead", "10:00");
    expect(next(word).kind).toBe("putBack");
    expect(settingBeforeFault(fold([...jetted, word, fit("0004", "10:10", 165)]))).toBeUndefined();
    expect(settingBeforeFault(fold([...jetted, word, plug("0003", "10:10", "top", "bone")]))).toBeUndefined();
  });

  it("says nothing of a fault that made it lean, of one that was not found, and of what was fitted before the last", () => {
    expect(next(mended("airLeak", "10:00")).kind).not.toBe("putBack");
    expect(next(mended("chokeOpen", "10:00", "notThis")).kind).not.toBe("putBack");
    const twice = [...jetted, mended("chokeOpen", "10:00"), mended("floatHigh", "10:05")];
    expect(settingBeforeFault(fold(twice))).toBeUndefined();
  });
});

describe("a dead plug, replaced", () => {
  it("takes back what plugs said that day, and nothing else", () => {
    const looks = (...after: Entry[]) => fold([...jetted, ...after]).looks.map(({ entry }) => entry.id);
    const rode: Entry = {
      id: "look:rode",
      at: at("09:40"),
      kind: "look",
      reading: { type: "rideReport", felt: { mid: "clean" } },
    };
    const yesterday = { ...plug("0009", "09:00", "mid", "cocoa"), at: at("09:00", "2026-05-22") };
    const begun = { ...build(), at: at("08:00", "2026-05-22") };
    const all = fold([begun, yesterday, ...jetted.slice(1), rode, mended("plugDead", "10:00")]);
    expect(all.looks.map(({ entry }) => entry.id)).toEqual(["look:0009", "look:rode"]);
    expect(looks(rode, mended("airLeak", "10:00"))).toEqual(["look:0001", "look:0002", "look:rode"]);
    const specks: Entry = {
      id: "look:specks",
      at: at("09:50"),
      kind: "look",
      reading: {
        type: "plug",
        zone: "top",
        tone: "bone",
        cut: "clean",
        colderSteps: 0,
        findings: ["specks"],
      },
    };
    expect(looks(specks, mended("ignition", "10:00"))).toEqual(["look:specks"]);
    expect(looks(mended("ignition", "10:00"), plug("0003", "10:30", "top", "cocoa"))).toEqual(["look:0003"]);
  });
});

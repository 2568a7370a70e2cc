/** No entry may brick a rig: each of these once left Today blank. */
import { advise } from "../advice/card/advise.ts";
import { air, at, build, fit, fitPart, look, lookWith, strike } from "../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { readLogFile } from "../log/read-file.ts";
import { LOG_VERSION, type Entry } from "../log/schema.ts";
import { checkEntries, foldPossible, impossibleEntries } from "./check-log.ts";
import { fileProblem } from "./check-file.ts";

const { needle } = ENDURO_BUILD.carburettor;
const rebuilt = (id: string, time: string, grooves: number): Entry => ({
  id: `build:${id}`,
  at: at(time),
  kind: "build",
  build: {
    ...ENDURO_BUILD,
    carburettor: { ...ENDURO_BUILD.carburettor, needle: { ...needle, grooves, referenceClip: 2 } },
  },
  reopens: ["needle"],
  why: "another needle",
});
const idle = (fallInTurns: number, fallOutTurns: number): Entry =>
  lookWith("idle", "10:00", {
    type: "bestIdle",
    zone: "idle",
    fallInTurns,
    fallOutTurns,
    sdTurns: 0.1,
    points: [1, 2, 3, 4, 5].map((turns) => ({ turns, rpm: 1700 })),
  });
const airWith = (change: Partial<Extract<Entry, { kind: "air" }>>): Entry =>
  ({ ...air("0002", "10:00"), ...change }) as Entry;
const setAside = (entries: Entry[]) =>
  impossibleEntries(foldPossible(entries)).map(({ entry, why }) => `${entry.id}: ${why}`);
const finite = (entries: Entry[]) => {
  const { zones } = advise(entries);
  expect(zones.every(({ mean, sd }) => Number.isFinite(mean) && sd > 0)).toBe(true);
};
const withoutHeight = (kind: "standard" | "seaLevel"): Entry => {
  const pressure = kind === "standard" ? { kind } : { kind, pressurePa: 101_300 };
  const entry: Record<string, unknown> = { ...airWith({ pressure }) };
  delete entry["elevationM"];
  return entry as Entry;
};

describe("what a rig cannot have", () => {
  const cases: readonly (readonly [string, Entry[], Entry, string])[] = [
    [
      "a groove that the needle lacks",
      [build()],
      fitPart("0001", "09:00", "clip", 9),
      "clip must be in 1..5, got 9",
    ],
    [
      "a fit on a carburettor it lacks",
      [build()],
      { ...fit("0001", "09:00", 160), changes: [{ part: "main", to: 160, carburettor: 3 }] } as Entry,
      "carburettor must be in 1..1, got 3",
    ],
    [
      "a look at a cylinder it lacks",
      [build()],
      { ...look("0001", "09:00"), cylinder: 2 } as Entry,
      "cylinder must be in 1..1, got 2",
    ],
    [
      "an idle beyond the screw's thread",
      [build()],
      idle(3, 14),
      "fall-off of the idle must be in 0..10 turns, got 14",
    ],
    ["fall-offs the wrong way round", [build()], idle(3, 2), "must run outwards"],
    ["standard pressure without a height", [build()], withoutHeight("standard"), "elevation must be given"],
    ["sea-level pressure without a height", [build()], withoutHeight("seaLevel"), "elevation must be given"],
    [
      "a dew point above the temperature",
      [build()],
      airWith({ humidity: { kind: "dewPoint", temperatureK: 320 } }),
      "dew point",
    ],
    [
      "an impossible wet bulb",
      [build()],
      airWith({ humidity: { kind: "wetBulb", temperatureK: 320 } }),
      "wet bulb",
    ],
    [
      "a needle that the fitted clip does not suit",
      [build(), fitPart("0001", "09:00", "clip", 5)],
      rebuilt("0002", "10:00", 3),
      "clip must be in 1..3, got 5",
    ],
    [
      "a strike through its only description",
      [build()],
      strike("0001", "09:00", "build:0001"),
      "must keep one description",
    ],
  ];

  it.each(cases)(
    "%s: is refused at the door, and set aside by name where it is stored already",
    (_, log, entry, why) => {
      expect(checkEntries(log, [entry])?.why).toContain(why);
      const stored = [...log, entry];
      expect(setAside(stored)).toHaveLength(1);
      expect(setAside(stored)[0]).toContain(`${entry.id}: `);
      finite(stored);
      // Everything else goes on, and what comes later is judged by itself.
      expect(checkEntries(stored, [look("late", "11:00")])).toBeUndefined();
    },
  );

  it("is refused in a file, with where it stands", () => {
    const [, log, entry] = cases[0] ?? [];
    const rigs = [
      { header: { id: "rig:test-1", name: "Test", plate: "1" }, entries: [...(log ?? []), entry as Entry] },
    ];
    expect(fileProblem({ rigs })).toMatchObject({ reason: "badEntry", where: "rigs[0].entries[1]" });
  });
});

describe("what was possible stays possible", () => {
  it("strike of a fit that an older needle allowed: later fits are asked again, none bricks the rig", () => {
    const log = [
      build(),
      fitPart("0001", "09:00", "clip", 2),
      rebuilt("0002", "10:00", 3),
      fitPart("0003", "11:00", "clip", 3),
    ];
    // Without the first fit the third groove stands on the new needle: that can be.
    expect(checkEntries(log, [strike("0001", "12:00", "fit:0001")])).toBeUndefined();
    const five = [
      build(),
      fitPart("0001", "09:00", "clip", 5),
      fitPart("0002", "09:30", "clip", 2),
      rebuilt("0003", "10:00", 3),
    ];
    const struck = checkEntries(five, [strike("0001", "12:00", "fit:0002")]);
    expect(struck?.entry.id).toBe("build:0003");
    finite([...five, strike("0001", "12:00", "fit:0002")]);
  });

  it("two phones' logs that are sound each and clash together are refused together", () => {
    const here = [build(), fitPart("0001", "09:00", "clip", 2), rebuilt("0002", "10:00", 3)];
    const there = [build(), fitPart("0003", "11:00", "clip", 4)];
    expect(setAside(here)).toEqual([]);
    expect(setAside(there)).toEqual([]);
    expect(checkEntries(here, there.slice(1))).toMatchObject({ entry: { id: "fit:0003" } });
    finite([...here, ...there.slice(1)]);
  });

  it("an open change is not carried on to another needle: its way back would be none", () => {
    const moved = [build(), look("0001", "08:50"), fitPart("0001", "09:00", "clip", 2)];
    expect(foldPossible(moved).openChange?.parts).toEqual(["clip"]);
    expect(foldPossible([...moved, rebuilt("0002", "10:00", 3)]).openChange).toBeUndefined();
    finite([...moved, rebuilt("0002", "10:00", 3)]);
  });

  it("a base screw far out keeps its window inside the thread", () => {
    const setting = { ...ENDURO_BUILD.baseline.setting, screwTurns: 9.75 };
    const far = build("08:00", { baseline: { ...ENDURO_BUILD.baseline, setting } });
    expect(setAside([far])).toEqual([]);
    finite([far]);
  });

  it("ten thousand bad entries are set aside in one reading", () => {
    const many = Array.from({ length: 10_000 }, (_, i) =>
      fitPart(`b${String(i).padStart(5, "0")}`, "09:00", "clip", 9),
    );
    expect(setAside([build(), ...many])).toHaveLength(10_000);
  });
});

describe("a file made to break something", () => {
  it("nested two thousand deep is refused by where, not by a crash", () => {
    const deep = `${'{"a":'.repeat(2000)}1${"}".repeat(2000)}`;
    const text = `{"format":"tamis","version":${LOG_VERSION},"savedAt":"2026-05-23T18:00:00+02:00","rigs":[],"x":${deep}}`;
    expect(readLogFile(text)).toMatchObject({ ok: false, problem: { reason: "tooDeep" } });
    expect(readLogFile("[".repeat(2000) + "]".repeat(2000))).toMatchObject({ ok: false });
  });
});

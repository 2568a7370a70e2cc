import { air, at, build, fit, plug } from "../__tests__/entries.ts";
import { fold } from "../log/fold.ts";
import type { AirEntry, Entry } from "../log/schema.ts";
import { daysLike, movedByAir } from "./days-like.ts";

const on = (day: string, entry: Entry): Entry => ({ ...entry, at: entry.at.replace("2026-05-23", day) });
const airOn = (day: string, id: string, over: Partial<AirEntry> = {}): AirEntry =>
  ({ ...on(day, air(id, "08:30")), ...over }) as AirEntry;
const lookOn = (day: string, id: string): Entry => on(day, plug(id, "10:00", "top", "biscuit"));

const NOW = airOn("2026-06-20", "now1", { temperatureK: 297 });

describe("days like today", () => {
  const log: Entry[] = [
    on("2026-05-01", build("08:00", {})),
    airOn("2026-05-01", "a001", { temperatureK: 297 }),
    lookOn("2026-05-01", "p001"),
    airOn("2026-05-08", "a002", { temperatureK: 278 }),
    lookOn("2026-05-08", "p002"),
    airOn("2026-05-15", "a003", { temperatureK: 296, place: "Quai Nord" }),
    lookOn("2026-05-15", "p003"),
    airOn("2026-05-22", "a004", { temperatureK: 297 }),
  ];
  const present = fold([...log, NOW]);
  const days = daysLike(present, NOW, 8);

  it("come nearest first: the same air, then another place, then a cold day; a day without a look is none", () => {
    expect(days.map(({ day }) => day)).toEqual(["2026-05-01", "2026-05-15", "2026-05-08"]);
    expect(days[0]).toMatchObject({ denser: 0, damperPa: 0, samePlace: true, worked: false, distance: 0 });
    expect(days[1]?.samePlace).toBe(false);
    // Seven per cent colder is seven per cent denser, near enough.
    expect(days[2]?.denser).toBeCloseTo(Math.log(278 / 297), 1);
    expect(days[2]?.denser).toBeLessThan(0);
  });
  it("carry what was fitted as the day ended, and what was seen", () => {
    const changed = fold([
      ...log.slice(0, 3),
      on("2026-05-01", fit("f001", "11:00", 150)),
      on("2026-05-01", plug("p009", "12:00", "top", "straw")),
      on("2026-05-01", fit("f002", "18:00", 170)),
      NOW,
    ]);
    const [day] = daysLike(changed, NOW, 3);
    expect(day?.settings[0]?.main).toBe(150);
    expect(day?.looks).toHaveLength(2);
  });
  it("of a machine that was worked on since stand further back", () => {
    const work: Entry = {
      id: "work:0001",
      at: at("09:00").replace("05-23", "06-01"),
      kind: "work",
      what: "allCleaned",
      why: "",
    };
    const worked = daysLike(fold([...log, work, NOW]), NOW, 8);
    expect(worked.every((day) => day.worked)).toBe(true);
    expect(worked[0]?.distance).toBeGreaterThan(1);
  });
  it("leave out today, and the days that come after the air that is asked about", () => {
    const again = fold([...log, NOW, lookOn("2026-06-20", "p010")]);
    expect(daysLike(again, NOW, 8).map(({ day }) => day)).not.toContain("2026-06-20");
    const early = daysLike(present, airOn("2026-05-08", "x001"), 8);
    expect(early.map(({ day }) => day)).toEqual(["2026-05-01"]);
  });
  it("are as many as asked for, and one at least", () => {
    expect(daysLike(present, NOW, 1)).toHaveLength(1);
    expect(() => daysLike(present, NOW, 0)).toThrow("days must be 1 or more, got 0");
    expect(daysLike(fold([]), NOW, 3)).toEqual([]);
  });
});

describe("what the air alone does to a setting", () => {
  const present = fold([build("08:00", {}), NOW]);
  const [setting] = present.settings;
  it("is leaner in denser air, and nothing in the same", () => {
    if (!present.build || !setting) throw new Error("the rig must be there");
    const cold = airOn("2026-05-08", "a002", { temperatureK: 278 });
    const moved = movedByAir(present.build, setting, NOW, cold);
    expect(moved.top).toBeGreaterThan(0.02);
    expect(movedByAir(present.build, setting, cold, NOW).top).toBeCloseTo(-moved.top, 9);
    expect(movedByAir(present.build, setting, NOW, NOW)).toEqual({ idle: 0, low: 0, mid: 0, top: 0 });
  });
});

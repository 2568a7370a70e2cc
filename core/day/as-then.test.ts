import { advise } from "../advice/card/advise.ts";
import { openCase } from "../advice/judge/case.ts";
import { air, at, build, fit, plug } from "../__tests__/entries.ts";
import type { Entry } from "../log/schema.ts";
import { adviceAsThen } from "./as-then.ts";
import { compareSettings, settingsFitted } from "./compare-settings.ts";

const wrong = plug("0001", "09:00", "top", "chalk");
const log: Entry[] = [
  build(),
  air("0001", "08:30"),
  wrong,
  fit("0001", "09:10", 160),
  plug("0002", "09:30", "top", "biscuit"),
  { id: "strike:0001", at: at("10:00"), kind: "strike", strikes: wrong.id, why: "" },
  fit("0002", "11:00", 155),
];

describe("as it was then", () => {
  it("is what was advised at that moment, with what was struck through since", () => {
    const open = openCase(log);
    expect(adviceAsThen(open, "fit:0001")?.advice).toEqual(advise(log.slice(0, 3)));
    expect(adviceAsThen(open, "fit:0002")?.advice).toEqual(advise(log.slice(0, 6)));
    expect(adviceAsThen(open, "fit:0001")?.advice.card).not.toEqual(
      adviceAsThen(open, "fit:0002")?.advice.card,
    );
  });
  it("is nothing before an air was read, and refuses what was never logged", () => {
    const open = openCase(log);
    expect(adviceAsThen(open, "build:0001")).toBeUndefined();
    expect(adviceAsThen(open, "air:0001")).toBeUndefined();
    expect(() => adviceAsThen(open, "fit:0009")).toThrow("entry must be one of the log, got fit:0009");
  });
});

describe("two settings in the same air", () => {
  const open = openCase(log);
  const fitted = settingsFitted(open);

  it("are those that were fitted, each once, the newest first", () => {
    expect(fitted.map(({ setting, day }) => [setting.main, day])).toEqual([
      [155, "2026-05-23"],
      [160, "2026-05-23"],
      [165, "2026-05-23"],
    ]);
  });

  it("differ by what the jet does, and the other way round by the opposite", () => {
    const [one, two] = fitted;
    if (!one || !two) throw new Error("two were fitted");
    const there = compareSettings(open, two.setting, one.setting);
    const back = compareSettings(open, one.setting, two.setting);
    // 160 to 155: leaner, most of all at the top, where a main of 3 % less area or so is felt.
    expect(there.parts.top).toBeGreaterThan(0.02);
    expect(there.parts.top).toBeGreaterThan(there.parts.idle);
    for (const zone of ["idle", "low", "mid", "top"] as const) {
      expect(there.parts[zone]).toBeCloseTo(-back.parts[zone], 9);
      expect(there.parts[zone]).toBeCloseTo(there.b.zones[zone].mean - there.a.zones[zone].mean, 12);
    }
  });

  it("with itself a setting differs by nothing", () => {
    const [one] = fitted;
    if (!one) throw new Error("one is fitted");
    expect(Object.values(compareSettings(open, one.setting, one.setting).parts)).toEqual([0, 0, 0, 0]);
  });

  it("are refused without an air, or where the needle has no such groove", () => {
    const [one] = fitted;
    if (!one) throw new Error("one is fitted");
    const noAir = openCase([build()]);
    expect(() => compareSettings(noAir, one.setting, one.setting)).toThrow("air must be read");
    expect(() => compareSettings(open, one.setting, { ...one.setting, clip: 9 })).toThrow(
      "clip must be in 1..5, got 9",
    );
  });
});

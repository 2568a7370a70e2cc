import { perZone, type PerZone } from "#core/carburettor/zones.ts";
import type { DaysCompared, DaySide } from "#core/day/compare-days.ts";
import { trendOption } from "./trend-chart.ts";
import { mostWords, movedBy } from "./words.ts";

const none = perZone(() => 0);
const at = (top: number): DaySide =>
  ({ zones: perZone((zone) => ({ mean: zone === "top" ? top : 0, sd: 0.02 })) }) as DaySide;
const top = (shift: number): PerZone<number> => ({ ...none, top: shift });

describe("what sets two days apart", () => {
  it("is said of the zone that moved most, with what did most of it", () => {
    const compared: DaysCompared = {
      a: at(-0.04),
      b: at(0.01),
      air: top(0.01),
      parts: top(0.045),
      engine: top(-0.005),
    };
    expect(mostWords(compared)).toBe("Full throttle moved most, 5 % leaner: 5 % of it by the parts.");
    const cooler: DaysCompared = {
      a: at(0.02),
      b: at(-0.01),
      air: top(-0.04),
      parts: none,
      engine: top(0.01),
    };
    expect(mostWords(cooler)).toBe("Full throttle moved most, 3 % richer: 4 % of it by the air.");
  });

  it("is nothing where nobody could read it", () => {
    const same: DaysCompared = { a: at(0.01), b: at(0.012), air: none, parts: none, engine: top(0.002) };
    expect(mostWords(same)).toBe("No zone moved enough to show on a plug.");
    expect([movedBy(0.002), movedBy(-0.021)]).toEqual(["–", "2 % richer"]);
  });
});

describe("the days drawn", () => {
  it("have a band of 80 % about what is believed, in per cent", () => {
    const points = [
      { day: "2026-05-10", mean: -0.02, sd: 0.05 },
      { day: "2026-05-20", mean: -0.04, sd: 0.02 },
    ];
    const { series } = trendOption(points, "Believed") as {
      series: { name: string; data: [string, number][] }[];
    };
    const [low, wide, line] = series.map(({ data }) => data.map(([, value]) => value));
    expect(line).toEqual([-2, -4]);
    expect(low?.[0]).toBeCloseTo(-2 - 128.16 * 0.05, 1);
    expect(wide?.[1]).toBeCloseTo(2 * 128.16 * 0.02, 1);
  });
});

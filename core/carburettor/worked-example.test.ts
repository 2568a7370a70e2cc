import { standardPressure } from "../air/barometer.ts";
import type { AirState } from "../air/humid-air.ts";
import type { Setting } from "./carburettor.ts";
import { mixtureShift } from "./mixture-shift.ts";
import { buildModel } from "./model.ts";
import { WORKED_EXAMPLE } from "../__tests__/worked-example.ts";
import { PROBES, ZONES } from "./zones.ts";

const model = buildModel(WORKED_EXAMPLE);
const { setting, air } = WORKED_EXAMPLE.baseline;
const openings = ZONES.map((zone) => PROBES[zone]);

// The worked example as documented: pilot, needle, main share at idle, low, mid, top.
const AUTHORITY = [
  [0.85, 0.14, 0.01],
  [0.2005, 0.7461, 0.0534],
  [0.0654, 0.767, 0.1676],
  [0.0227, 0.344, 0.6333],
] as const;

const mountain: AirState = {
  temperatureK: 303.15,
  pressurePa: standardPressure(1500),
  relativeHumidity: 0.4,
};
const cold: AirState = { temperatureK: 273.15, pressurePa: 101_325, relativeHumidity: 0.8 };
const damp: AirState = { temperatureK: 308.15, pressurePa: 101_325, relativeHumidity: 0.9 };

// Change from the baseline in per cent: idle, low, mid, top. Tolerance 0.05 per figure.
const SHIFTS: [string, Partial<Setting>, AirState, number[]][] = [
  ["pilot 48", { pilot: 48 }, air, [-11.07, -2.73, -0.9, -0.31]],
  ["screw 2.0", { screwTurns: 2 }, air, [10.51, 2.43, 0.91, 0.47]],
  ["clip 4", { clip: 4 }, air, [0, 0, -5, -1.16]],
  ["clip 2", { clip: 2 }, air, [0, 0, 5.51, 1.3]],
  ["main 170", { main: 170 }, air, [-0.06, -0.3, -0.95, -3.7]],
  ["one 0.3 mm shim", { shimM: 0.0003 }, air, [0, 0, -1.55, -0.36]],
  ["mountain air", {}, mountain, [-10.42, -12.69, -11.63, -11.19]],
  ["cold air", {}, cold, [1.26, 3.31, 2.44, 2.25]],
  ["damp heat", {}, damp, [-3.74, -7.51, -6.14, -5.84]],
  ["mountain air with main 152 and clip 2", { main: 152, clip: 2 }, mountain, [-10.23, -11.67, -3.31, 0.83]],
];

describe("the worked example", () => {
  it("has the documented shares at each probe", () => {
    const shares = mixtureShift(model, setting, air, openings).map(({ authority }) => authority);
    AUTHORITY.forEach(([pilot, needle, main], i) => {
      expect(Math.abs((shares[i]?.pilot ?? NaN) - pilot)).toBeLessThan(5e-4);
      expect(Math.abs((shares[i]?.needle ?? NaN) - needle)).toBeLessThan(5e-4);
      expect(Math.abs((shares[i]?.main ?? NaN) - main)).toBeLessThan(5e-4);
    });
  });

  it.each(SHIFTS)("moves as documented with %s", (_, change, inAir, expected) => {
    const shifts = mixtureShift(model, { ...setting, ...change }, inAir, openings);
    expect(shifts).toHaveLength(4);
    shifts.forEach(({ shift }, i) => expect(Math.abs(100 * shift - (expected[i] ?? NaN))).toBeLessThan(0.05));
  });
});

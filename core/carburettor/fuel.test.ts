/** Another tank through the same jets: ethanol asks for more, oil takes the place of fuel. */
import { airNeeded, FUELS, fuelShift, oilShare, petrolWith, withOil } from "./fuel.ts";

describe("petrol with ethanol", () => {
  // Ratios as tables give them, to half a tenth.
  it.each([
    [0, 14.6, 745],
    [10, 14.0, 749.4],
    [85, 9.8, 782.4],
    [100, 9.0, 789],
  ])("of %d %% by volume needs %d of air", (percent, ratio, density) => {
    const fuel = petrolWith(percent);
    expect(Math.abs(fuel.stoichiometric - ratio)).toBeLessThan(0.05);
    expect(fuel.density15KgM3).toBeCloseTo(density, 1);
  });
  it("makes the same jets leaner: E10 by 4 %, E85 by a third", () => {
    expect(fuelShift(petrolWith(0), petrolWith(10))).toBeCloseTo(0.038, 3);
    expect(fuelShift(petrolWith(0), petrolWith(85))).toBeCloseTo(0.374, 2);
    expect(fuelShift(petrolWith(10), petrolWith(0))).toBeCloseTo(-0.038, 3);
  });
  it.each([-1, 101, Number.NaN])("refuses %d %%", (percent) =>
    expect(() => petrolWith(percent)).toThrow(RangeError),
  );
});

describe("premixed oil", () => {
  it("is leaner the more of it there is: from 1:50 to 1:32 by half a per cent", () => {
    expect(oilShare(32) - oilShare(50)).toBeCloseTo(0.0303 - 0.0196, 4);
    const shift = fuelShift(withOil(FUELS.petrol, 50), withOil(FUELS.petrol, 32));
    expect(shift).toBeCloseTo(0.0054, 4);
    expect(airNeeded(withOil(FUELS.petrol, undefined))).toBe(14.6);
  });
  it.each([5, 500, Number.NaN])("refuses 1:%d", (ratio) =>
    expect(() => withOil(FUELS.petrol, ratio)).toThrow(RangeError),
  );
});

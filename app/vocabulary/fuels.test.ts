import { fuelChangeWords, fuelName } from "./fuels.ts";

it.each([
  [{ name: "petrol" }, { name: "petrol", ethanolPercent: 10 }, "E10 instead of pure petrol: 4 % leaner"],
  [
    { name: "petrol", oilRatio: 50 },
    { name: "petrol", oilRatio: 32 },
    "pure petrol with oil 1:32 instead of pure petrol with oil 1:50: 0.5 % leaner (± 0.3 %)",
  ],
  [
    { name: "petrol", ethanolPercent: 10 },
    { name: "petrol", ethanolPercent: 0 },
    "pure petrol instead of E10: 4 % richer",
  ],
  [{ name: "petrol", ethanolPercent: 0 }, { name: "petrol" }, undefined],
] as const)("from %j to %j", (from, to, words) => expect(fuelChangeWords(from, to)).toBe(words));

it("a fuel is called as at the pump", () => {
  expect(fuelName({ name: "methanol", oilRatio: 20 })).toBe("methanol with oil 1:20");
  expect(fuelName({ name: "other", density15KgM3: 730, expansionPerK: 0.001, stoichiometric: 13.8 })).toBe(
    "fuel by its data sheet",
  );
});

import { errorWords } from "./error-words.ts";

it.each([
  "Failed to fetch dynamically imported module: http://localhost/assets/later-x.js",
  "error loading dynamically imported module: http://localhost/assets/later-x.js",
  "Importing a module script failed.",
])("a file that did not come is said in words: %s", (message) => {
  expect(errorWords(new TypeError(message))).toMatch(/^A part of this screen did not load.*Try again/);
});

it("what has words of its own keeps them, and what has none gets some", () => {
  expect(errorWords("There is no such rig.")).toBe("There is no such rig.");
  expect(errorWords(new RangeError("clip must be 1 to 5"))).toBe("clip must be 1 to 5");
  expect(errorWords(undefined)).toMatch(/no words/);
});

import { unbroken } from "./unbroken.ts";

test("a number and its per cent stay on one line, all else breaks as before", () => {
  expect(unbroken("Already right: sure (91 %). About 8 minutes, 1.4 % rich.")).toBe(
    "Already right: sure (91\u00A0%). About 8 minutes, 1.4\u00A0% rich.",
  );
  expect(unbroken("Under white light")).toBe("Under white light");
});

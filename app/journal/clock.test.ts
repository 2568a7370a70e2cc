import { instantAt, localInstant } from "./clock.ts";

afterEach(() => jest.restoreAllMocks());

describe("the clock of the place", () => {
  it.each([
    [0, "2026-05-23T11:40:05+00:00"],
    [120, "2026-05-23T13:40:05+02:00"],
    [-150, "2026-05-23T09:10:05-02:30"],
    [345, "2026-05-23T17:25:05+05:45"],
    [840, "2026-05-24T01:40:05+14:00"],
  ])("%d minutes east of Greenwich", (east, written) => {
    jest.spyOn(Date.prototype, "getTimezoneOffset").mockReturnValue(-east);
    const at = new Date(Date.UTC(2026, 4, 23, 11, 40, 5, 900));
    expect(localInstant(at)).toBe(written);
    expect(Date.parse(written)).toBe(at.getTime() - 900);
  });
  it("of a day that is none there is no instant, and nothing breaks", () => {
    expect(instantAt("2026-13-45", "08:00")).toBe("no instant");
  });
});

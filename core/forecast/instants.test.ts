import { instantsOf, instantText, type WallClock } from "./instants.ts";

const HOUR = 3_600_000;
/** A clock that stands two hours east, and one from the last Sunday of October, at three, to spring. */
const BACK = Date.UTC(2026, 9, 25, 3);
const ON = Date.UTC(2026, 2, 29, 2);
const wall: WallClock = (shown) => (shown >= ON + 0 && shown < BACK ? 120 : 60);

describe("the times of a table", () => {
  it("reads what names its own zone, seconds since 1970, and what the wall's clock shows", () => {
    const texts = [
      "2026-05-23T14:00Z",
      "2026-05-23 14:00+0200",
      "1779544800",
      "2026-05-23 14:00",
      "23.05.2026 14:00",
    ];
    const utc = Date.UTC(2026, 4, 23, 14);
    expect(instantsOf(texts.slice(0, 3), wall)).toEqual([utc, utc - 2 * HOUR, utc]);
    expect(instantsOf(texts.slice(3, 4), wall)).toEqual([utc - 2 * HOUR]);
    expect(instantsOf(texts.slice(4), () => 0)).toEqual([utc]);
  });

  it("lets no hour be lost or doubled in the night when clocks go back", () => {
    const shown = ["01:00", "02:00", "02:00", "03:00", "04:00"].map((at) => `2026-10-25 ${at}`);
    const steps = instantsOf(shown, wall).map((at, i, all) => (at - (all[i - 1] ?? at)) / HOUR);
    expect(steps).toEqual([0, 1, 1, 1, 1]);
  });

  it("goes on over the hour that a clock skips in spring", () => {
    const shown = ["00:00", "01:00", "03:00", "04:00"].map((at) => `2026-03-29 ${at}`);
    const steps = instantsOf(shown, wall).map((at, i, all) => (at - (all[i - 1] ?? at)) / HOUR);
    expect(steps).toEqual([0, 1, 1, 1]);
  });

  it.each(["", "noon", "2026-02-30 10:00", "2026-13-01 10:00", "14:00", "2026-05-23 25:10"])(
    "says that %j is no time",
    (text) => {
      expect(instantsOf([text], wall)).toEqual([Number.NaN]);
    },
  );

  it("writes an instant by a clock east and west of Greenwich", () => {
    const noon = Date.UTC(2026, 4, 23, 12);
    expect([120, -210, 0].map((offset) => instantText(noon, offset))).toEqual([
      "2026-05-23T14:00:00+02:00",
      "2026-05-23T08:30:00-03:30",
      "2026-05-23T12:00:00+00:00",
    ]);
    expect(() => instantText(Number.NaN, 0)).toThrow(RangeError);
  });
});

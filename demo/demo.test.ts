import { readLogFile } from "#core/log/read-file.ts";
import { fold } from "#core/log/fold.ts";
import { dayOf } from "#core/log/schema.ts";
import { advise } from "#core/sieve/advise.ts";
import { enduroDemo } from "./enduro-log.ts";

const story = enduroDemo("2026-05-23", "+02:00");

describe("the enduro's story", () => {
  it("is the same for the same seed and day, and another for another seed", () => {
    expect(enduroDemo("2026-05-23", "+02:00")).toEqual(story);
    expect(enduroDemo("2026-05-23", "+02:00", 1).entries).not.toEqual(story.entries);
  });

  it("passes the door that every file passes", () => {
    const text = JSON.stringify({
      format: "tamis",
      version: 1,
      savedAt: "2026-05-23T18:00:00+02:00",
      rigs: [story],
    });
    expect(readLogFile(text)).toMatchObject({ ok: true });
  });

  it("tells two days with looks in every zone but one at least, and ends on an open change", () => {
    const present = fold(story.entries);
    expect(new Set(story.entries.map(({ at }) => dayOf(at)))).toEqual(new Set(["2026-05-22", "2026-05-23"]));
    expect(present.looks.length).toBeGreaterThanOrEqual(8);
    expect(new Set(present.looks.map(({ entry }) => entry.reading.zone)).size).toBeGreaterThanOrEqual(3);
    expect(present.openChange?.parts).toEqual(["main"]);
  });

  it("marks every look and every air as simulated", () => {
    const made = story.entries.filter((entry) => entry.kind === "look" || entry.kind === "air");
    expect(made.length).toBeGreaterThan(0);
    for (const entry of made) expect(entry.simulated).toBe(true);
  });

  it("has looks that fit each other: none is a surprise", () => {
    expect(advise(story.entries).surprises).toEqual([]);
  });

  it("moves with the calendar", () => {
    const leap = enduroDemo("2028-03-01", "-05:00");
    expect(new Set(leap.entries.map(({ at }) => dayOf(at)))).toEqual(new Set(["2028-02-29", "2028-03-01"]));
    expect(leap.entries[0]?.at.endsWith("-05:00")).toBe(true);
  });
});

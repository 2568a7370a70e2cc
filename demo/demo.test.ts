import { readFileSync } from "node:fs";
import { join } from "node:path";
import { zonesOf } from "#core/log/readings/reading.ts";
import { readLogFile } from "#core/log/read-file.ts";
import { fold } from "#core/log/fold.ts";
import { dayOf, LOG_VERSION } from "#core/log/schema.ts";
import { advise } from "#core/advice/card/advise.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { toldDemo } from "./demo.ts";
import { enduroDemo } from "./enduro-log.ts";
import type { DemoRig } from "./story.ts";
import { demoMovedTo } from "./told.ts";
import { TOLD_DAY, TOLD_OFFSET } from "./told-day.ts";

/** As it ships. */
const rigs = JSON.parse(readFileSync(join(__dirname, "told.json"), "utf8")) as DemoRig[];
const [story = { header: { id: "", name: "", plate: "" }, entries: [] }] = rigs;

describe("stories told anew", () => {
  /** All five: every look of theirs is weighed, which takes seconds. */
  const anew = JSON.parse(toldDemo()) as DemoRig[];

  it("are of the same rigs and days as those that ship, and pass the door that every file passes", () => {
    const days = (told: readonly DemoRig[]) =>
      told.map(({ header, entries }) => ({ header, days: [...new Set(entries.map(({ at }) => dayOf(at)))] }));
    expect(days(anew)).toEqual(days(rigs));
    const file = { format: "tamis", version: LOG_VERSION, savedAt: "2026-05-23T18:00:00+02:00", rigs: anew };
    expect(readLogFile(JSON.stringify(file))).toMatchObject({ ok: true });
  });

  it("are the same for the same seed, another for another", () => {
    const [enduro] = anew;
    expect(enduroDemo(TOLD_DAY, TOLD_OFFSET)).toEqual(enduro);
    const other = enduroDemo(TOLD_DAY, TOLD_OFFSET, 2);
    expect(other.header).toEqual(story.header);
    expect(other.entries).not.toEqual(enduro?.entries);
  });
});

describe("the enduro's story", () => {
  it("passes the door that every file passes", () => {
    const text = JSON.stringify({
      format: "tamis",
      version: LOG_VERSION,
      savedAt: "2026-05-23T18:00:00+02:00",
      rigs: [story],
    });
    expect(readLogFile(text)).toMatchObject({ ok: true });
  });

  it("tells two days with looks in every zone but one at least, and ends on an open change", () => {
    const present = fold(story.entries);
    expect(new Set(story.entries.map(({ at }) => dayOf(at)))).toEqual(new Set(["2026-05-22", "2026-05-23"]));
    expect(present.looks.length).toBeGreaterThanOrEqual(8);
    expect(new Set(present.looks.flatMap(({ entry }) => zonesOf(entry.reading))).size).toBeGreaterThanOrEqual(
      3,
    );
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
});

describe("all rigs of the demo", () => {
  it("are five machines that can be, with a walk-round each, and nothing in them clashes", () => {
    expect(rigs.map(({ header }) => header.plate).sort()).toEqual(["12", "27", "3", "41", "8"]);
    for (const { entries } of rigs) {
      const { build, checks } = fold(entries);
      expect(() => build && checkBuild(build)).not.toThrow();
      expect(Object.keys(checks)).toHaveLength(13);
      expect(advise(entries).surprises).toEqual([]);
    }
    const file = { format: "tamis", version: LOG_VERSION, savedAt: "2026-05-23T18:00:00+02:00", rigs };
    expect(readLogFile(JSON.stringify(file))).toMatchObject({ ok: true });
  });

  it("hold the farm ATV's card back: its choke does not seat, and it reads rich", () => {
    const atv = rigs.find(({ header }) => header.plate === "8");
    const { held } = fold(atv?.entries ?? []);
    expect(held).toEqual(["choke"]);
    const middle = advise(atv?.entries ?? []).zones.find(({ zone }) => zone === "mid");
    expect(middle?.mean).toBeLessThan(-0.05);
  });

  it("move with the calendar, to the clock of the place", () => {
    expect(demoMovedTo(TOLD_DAY, TOLD_OFFSET)).toEqual(rigs);
    const moved = demoMovedTo("2028-03-01", "-05:00")[0]?.entries ?? [];
    expect(new Set(moved.map(({ at }) => dayOf(at)))).toEqual(new Set(["2028-02-29", "2028-03-01"]));
    expect(moved.every(({ at }) => at.endsWith("-05:00"))).toBe(true);
  });
});

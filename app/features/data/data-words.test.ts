import { comingNotes, rigComingWords } from "./coming-words.ts";
import { exportTrouble } from "./export-words.ts";

const rig = {
  id: "rig:a",
  name: "A",
  plate: "1",
  isNew: false,
  fresh: 0,
  already: 0,
  from: undefined,
  to: undefined,
};

describe("what a file would bring", () => {
  it.each([
    [
      { fresh: 12, already: 40, from: "2026-05-03", to: "2026-05-09" },
      "12 new entries, 3 May 2026 to 9 May 2026; 40 are here already",
    ],
    [{ fresh: 1, already: 0, from: "2026-05-03", to: "2026-05-03" }, "1 new entry, 3 May 2026"],
    [{ already: 40 }, "all 40 are here already"],
  ])("%j", (change, words) => expect(rigComingWords({ ...rig, ...change })).toBe(words));

  it("says what else is to be known of it", () => {
    const notes = comingNotes({
      savedAt: "2026-05-23T18:00:00",
      rigs: [],
      photos: 2,
      raw: ["rig:b"],
      unknown: ["rigs[0].a", "rigs[0].b", "rigs[0].c", "rigs[0].d"],
    });
    expect(notes).toEqual([
      "Saved 23 May 2026, 18:00.",
      "2 photos come along.",
      expect.stringContaining("rig:b could not be read") as string,
      expect.stringContaining("4 values of a newer Tamis (rigs[0].a, rigs[0].b, rigs[0].c, …)") as string,
    ]);
  });
});

it("an export says what did not come along, and nothing where all did", () => {
  expect(exportTrouble({ raw: [], lostPhotos: 0 })).toBeUndefined();
  expect(exportTrouble({ raw: ["rig:b"], lostPhotos: 1 })).toBe(
    "Exported. The rig rig:b cannot be read: it went into the file as it is stored. 1 photo is not in this browser.",
  );
});

import { applyFit } from "./settings.ts";
import { isMovable, movedEntries } from "./moved.ts";
import type { Entry } from "./schema.ts";
import { at } from "../__tests__/entries.ts";

const fit: Entry = {
  id: "fit:0001",
  at: at("10:00"),
  kind: "fit",
  because: "advice",
  changes: [{ part: "main", to: 152 }],
  advised: { next: "fit", changes: [{ part: "main", to: 152 }], zones: [] },
};
const compared = (of: string): Entry => ({
  id: "look:0001",
  at: at("10:10"),
  kind: "look",
  reading: { type: "compared", zone: "top", verdict: "better", fit: of },
});
const newId = (kind: string) => `${kind}:there`;

describe("entries for another rig", () => {
  it("keep their time and what they say, under ids of their own", () => {
    const note: Entry = { id: "note:0001", at: at("10:20"), kind: "note", text: "Pinged once." };
    expect(movedEntries([note], newId)).toEqual([{ ...note, id: "note:there" }]);
  });

  it("leave behind what was advised to the other machine", () => {
    const [moved] = movedEntries([fit], newId);
    expect(moved).not.toHaveProperty("advised");
    expect(
      moved?.kind === "fit" &&
        applyFit({ pilot: 45, screwTurns: 1, clip: 2, main: 158, shimMm: 0 }, moved, 1),
    ).toMatchObject({
      main: 152,
    });
  });

  it("speak of each other as before where both move, and of nothing where one stays", () => {
    expect(movedEntries([fit, compared(fit.id)], newId)[1]).toMatchObject({ reading: { fit: "fit:there" } });
    expect(movedEntries([compared(fit.id)], newId)[0]).toEqual({
      ...compared(fit.id),
      id: "look:there",
      reading: { type: "compared", zone: "top", verdict: "better" },
    });
  });
});

describe("what may move", () => {
  const line = (entry: Entry, struck = false) => ({ entry, struck, befores: [] }) as never;
  it.each<[Entry, boolean]>([
    [fit, true],
    [{ id: "strike:01", at: at("10:00"), kind: "strike", strikes: "fit:0001", why: "" }, false],
    [{ id: "work:0001", at: at("10:00"), kind: "work", what: "mainDrilled", why: "" }, false],
  ])("%j: %s", (entry, may) => {
    expect(isMovable(line(entry))).toBe(may);
    expect(isMovable(line(entry, true))).toBe(false);
  });
});

/** Going on with a fold comes to the same as folding all of it, whatever comes in whatever order. */
import fc from "fast-check";
import { demoMovedTo } from "#demo/told.ts";
import { fold, foldOn } from "./fold.ts";
import { inOrder, inOrderWith } from "./in-order.ts";
import { checkEntries, foldPossible, foldWith } from "../rig/check-log.ts";
import type { Entry } from "./schema.ts";

const RIGS = demoMovedTo("2026-05-23", "+02:00");
const [enduro] = RIGS;
if (!enduro) throw new Error("no demo");

const strike = (id: string, strikes: string, at: string): Entry => ({
  id,
  at,
  kind: "strike",
  strikes,
  why: "",
});
const moved = (entry: Entry, at: string): Entry => ({ ...entry, at });
const last = enduro.entries.at(-1)?.at ?? "";
const LATER = "2026-05-23T23:30:00+02:00";

describe("entries that come to others in order", () => {
  it("stand as if all were sorted, those of one instant as they came", () => {
    fc.assert(
      fc.property(
        fc.array(fc.nat(9), { maxLength: 8 }),
        fc.array(fc.nat(9), { maxLength: 4 }),
        (before, after) => {
          const at = (minute: number, id: string): Entry => ({
            id,
            at: `2026-05-23T10:0${minute}:00+0${minute % 3}:00`,
            kind: "note",
            text: id,
          });
          const log = inOrder(before.map((minute, i) => at(minute, `a${i}`)));
          const added = after.map((minute, i) => at(minute, `b${i}`));
          expect(inOrderWith(log, added)).toEqual(inOrder([...log, ...added]));
        },
      ),
    );
  });
});

describe("a fold that goes on", () => {
  it.each(RIGS.map(({ header, entries }) => [header.name, entries] as const))(
    "is the fold of all, entry by entry: %s",
    (_, entries) => {
      let now = fold([]);
      entries.forEach((entry, i) => {
        now = foldOn(now, [entry]);
        if (i % 7 === 0 || i === entries.length - 1) expect(now).toEqual(fold(entries.slice(0, i + 1)));
      });
    },
  );
  it("leaves what it went on from as it was", () => {
    const half = Math.floor(enduro.entries.length / 2);
    const before = fold(enduro.entries.slice(0, half));
    foldOn(before, enduro.entries.slice(half));
    expect(before).toEqual(fold(enduro.entries.slice(0, half)));
  });
  it("takes strikes, entries of the past and struck ids that come later", () => {
    const [first, second, ...rest] = enduro.entries;
    if (!first || !second) throw new Error("no entries");
    const air = enduro.entries.find(({ kind }) => kind === "air");
    const build = enduro.entries.find(({ kind }) => kind === "build");
    if (!air || !build) throw new Error("no air or no build");
    const start = fold(enduro.entries);
    for (const added of [
      [strike("s1", air.id, LATER)],
      [strike("s1", air.id, LATER), strike("s2", "s1", LATER)],
      [strike("s1", build.id, LATER)],
      [moved({ ...air, id: "air:old" }, first.at)],
      [moved({ ...air, id: "air:new" }, LATER), moved({ ...air, id: "air:before" }, last)],
    ])
      expect(foldOn(start, added)).toEqual(fold([...enduro.entries, ...added]));
    // Another device has struck what comes only now.
    const known = fold([first, ...rest, strike("s1", second.id, LATER)]);
    const late = moved(second, LATER);
    expect(foldOn(known, [late])).toEqual(fold([first, ...rest, strike("s1", second.id, LATER), late]));
    // The last description of the machine stays until there is another.
    const only = fold([build, strike("s1", build.id, LATER)]);
    const another = moved({ ...build, id: "build:two" }, LATER);
    expect(foldOn(only, [another])).toEqual(fold([build, strike("s1", build.id, LATER), another]));
  });
  it("gives what was seen without an air the first that is read", () => {
    const airs = enduro.entries.filter(({ kind }) => kind === "air");
    const others = enduro.entries.filter(({ kind }) => kind !== "air");
    const air = airs[0];
    if (!air) throw new Error("no air");
    const added = [moved(air, LATER)];
    const present = foldOn(fold(others), added);
    expect(present.looks.every((look) => look.air !== undefined)).toBe(true);
    expect(present).toEqual(fold([...others, ...added]));
  });
  it("is the fold of all for any split of any of it, with strikes between", () => {
    const pick = fc.record({
      which: fc.subarray(
        enduro.entries.map((_, i) => i),
        { minLength: 1 },
      ),
      struck: fc.array(fc.nat(enduro.entries.length - 1), { maxLength: 3 }),
      cuts: fc.array(fc.nat(enduro.entries.length), { maxLength: 4 }),
      swapped: fc.boolean(),
    });
    fc.assert(
      fc.property(pick, ({ which, struck, cuts, swapped }) => {
        const own = which.flatMap((i) => enduro.entries[i] ?? []);
        const strikes = struck.map((i, n) => strike(`s${n}`, enduro.entries[i]?.id ?? "", LATER));
        const all = swapped ? [...strikes, ...own].reverse() : [...own, ...strikes];
        const ends = [...new Set([...cuts.map((cut) => Math.min(cut, all.length)), all.length])].sort(
          (a, b) => a - b,
        );
        let [now, from] = [fold([]), 0];
        for (const end of ends) {
          now = foldOn(now, all.slice(from, end));
          from = end;
        }
        expect(now).toEqual(fold(all));
      }),
    );
  });
  it("refuses the same as when all is folded anew", () => {
    const before = foldPossible(enduro.entries);
    const wrong: Entry = {
      id: "fit:x",
      at: LATER,
      kind: "fit",
      changes: [{ part: "clip", to: 99 }],
      because: "own",
    };
    expect(foldWith(before, [wrong]).refused?.why).toBe(checkEntries(enduro.entries, [wrong])?.why);
    expect(foldWith(before, [wrong]).present).toEqual(foldPossible([...enduro.entries, wrong]));
  });
});

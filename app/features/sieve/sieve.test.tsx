/** The sieve as a table of holes: told in words, walked by arrows; what a look has closed. */
import { fireEvent, render, screen } from "@testing-library/react";
import type { Sieve } from "#core/advice/card/sieve.ts";
import { openCase } from "#core/advice/judge/case.ts";
import { sieveOf } from "#core/advice/card/sieve.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { air, build, fit, plug } from "../../../core/__tests__/entries.ts";
import { Grid } from "./Grid.tsx";
import { axesWords, changedHoles, changesWords, holeWords, lookWords, PAIRS, withAxis } from "./words.ts";

const log = [build(), air("0001", "08:30"), fit("0001", "08:40", 165), plug("0001", "09:00", "top", "umber")];
const opened = openCase(log);
const sieve = sieveOf(opened, PAIRS[0]);

function show(shown: Sieve = sieve, closed: readonly number[] = []) {
  const chosen: number[] = [];
  render(
    <Grid
      sieve={shown}
      chosen={undefined}
      closed={new Set(closed)}
      working={false}
      onChoose={(hole) => chosen.push(hole)}
    />,
  );
  return chosen;
}
const holes = () => screen.getAllByRole("button");

describe("the holes on screen", () => {
  it("stand in a table with their sizes, each told in words", () => {
    show();
    expect(screen.getByRole("table", { name: "Main jet across, clip down" })).toBeInTheDocument();
    expect(screen.getAllByRole("columnheader").map(({ textContent }) => Number(textContent))).toEqual(
      sieve.across,
    );
    expect(holes()).toHaveLength(sieve.holes.length);
    expect(screen.getByRole("button", { name: /^main jet 165, clip 3rd: .*, fitted$/ })).toBeInTheDocument();
    expect(screen.getAllByRole("button", { name: /: closed/ }).length).toBeGreaterThan(10);
    expect(screen.getAllByRole("button", { name: /: best of all (under )?\d+ %/ }).length).toBe(
      sieve.open.filter(Boolean).length,
    );
  });

  it("are one stop for the keyboard, walked by arrows and never off the edge", () => {
    const chosen = show();
    const stops = () => holes().filter(({ tabIndex }) => tabIndex === 0);
    const [start] = stops();
    if (!start) throw new Error("no hole can be reached");
    expect(stops()).toHaveLength(1);
    expect(start).toHaveAccessibleName(/fitted$/);
    start.focus();
    fireEvent.keyDown(start, { key: "ArrowLeft" });
    expect(document.activeElement).toHaveAccessibleName(/^main jet 162, clip 3rd/);
    for (let n = 0; n < 40; n += 1) fireEvent.keyDown(document.activeElement ?? start, { key: "ArrowLeft" });
    expect(document.activeElement).toHaveAccessibleName(new RegExp(`^main jet ${sieve.across[0]}, clip 3rd`));
    for (let n = 0; n < 9; n += 1) fireEvent.keyDown(document.activeElement ?? start, { key: "ArrowDown" });
    expect(document.activeElement).toHaveAccessibleName(new RegExp(`^main jet ${sieve.across[0]}, clip 5th`));
    fireEvent.click(document.activeElement ?? start);
    expect(chosen).toEqual([4 * sieve.across.length]);
  });
});

describe("what a look did", () => {
  it("is the holes that were open before it and are not after it", () => {
    const before = sieveOf(opened, sieve.axes, 0, 0);
    const { closed, opened: again } = changedHoles(before, sieve);
    expect(closed.length + again.length).toBeGreaterThan(0);
    for (const i of closed) expect([before.open[i], sieve.open[i]]).toEqual([true, false]);
    for (const i of again) expect([before.open[i], sieve.open[i]]).toEqual([false, true]);
    expect(changedHoles(sieve, sieve)).toEqual({ closed: [], opened: [] });
  });

  it("is said with the look", () => {
    const [look] = sieve.looks;
    if (!look) throw new Error("a look must be there");
    expect(lookWords(look, Preferences.parse({}), 14.7)).toMatch(/^2026-05-23 09:00 · Plug, .*: umber/);
  });
});

it("what differs from what is fitted is said part by part", () => {
  expect(changesWords(sieve.fitted, { ...sieve.fitted, main: 155, clip: 2 })).toBe(
    "clip 3rd → 2nd, main jet 165 → 155",
  );
  expect(changesWords(sieve.fitted, sieve.fitted)).toBe("");
  expect(holeWords(sieve, 9999)).toBe("");
});

it.each([...PAIRS, { across: "clip", down: "screwTurns" }] as const)(
  "$across and $down can be sifted",
  (axes) => {
    const { holes, across, down } = sieveOf(opened, axes);
    expect(holes).toHaveLength(across.length * down.length);
    expect(axesWords(axes)).toContain(" × ");
  },
);

it("any two are chosen one by one, and never one part twice", () => {
  const axes = { across: "main", down: "clip" } as const;
  expect(withAxis(axes, "down", "pilot")).toEqual({ across: "main", down: "pilot" });
  expect(withAxis(axes, "across", "clip")).toEqual({ across: "clip", down: "main" });
  expect(withAxis(axes, "down", "clip")).toEqual(axes);
});

import { build, fit, lookWith, plug, strike } from "../__tests__/entries.ts";
import { foldPossible } from "../rig/check-log.ts";
import type { Entry } from "../log/schema.ts";
import { contradictions } from "./contradictions.ts";

const rode = (id: string, time: string, felt: object): Entry =>
  lookWith(id, time, { type: "rideReport", felt });
const of = (...entries: Entry[]) =>
  contradictions(foldPossible([build(), ...entries])).map(({ zone, felt, tone }) => [zone, felt, tone]);

it("a ride that felt rich and a plug that is bone are asked about", () => {
  expect(
    of(rode("0001", "09:00", { top: "rich", mid: "clean" }), plug("0002", "09:10", "top", "bone")),
  ).toEqual([["top", "rich", "bone"]]);
  expect(of(plug("0002", "09:10", "mid", "soot"), rode("0001", "09:20", { mid: "lean" }))).toEqual([
    ["mid", "lean", "soot"],
  ]);
});

it.each<[string, Entry[]]>([
  ["agree", [rode("0001", "09:00", { top: "lean" }), plug("0002", "09:10", "top", "bone")]],
  ["differ by a shade", [rode("0001", "09:00", { top: "rich" }), plug("0002", "09:10", "top", "straw")]],
  ["speak of a clean pull", [rode("0001", "09:00", { top: "clean" }), plug("0002", "09:10", "top", "bone")]],
  ["speak of two zones", [rode("0001", "09:00", { mid: "rich" }), plug("0002", "09:10", "top", "bone")]],
  [
    "were taken with different jets",
    [rode("0001", "09:00", { top: "rich" }), fit("0003", "09:05", 152), plug("0002", "09:10", "top", "bone")],
  ],
  [
    "stood before what is fitted now",
    [rode("0001", "09:00", { top: "rich" }), plug("0002", "09:10", "top", "bone"), fit("0003", "09:15", 152)],
  ],
  [
    "were settled",
    [
      rode("0001", "09:00", { top: "rich" }),
      plug("0002", "09:10", "top", "bone"),
      strike("0003", "09:15", "look:0001"),
    ],
  ],
  [
    "were followed by a newer word",
    [
      rode("0001", "09:00", { top: "rich" }),
      plug("0002", "09:10", "top", "bone"),
      rode("0003", "09:20", { top: "lean" }),
    ],
  ],
  [
    "are of two days",
    [
      rode("0001", "09:00", { top: "rich" }),
      lookWith(
        "0002",
        "09:10",
        { type: "plug", zone: "top", tone: "bone", cut: "clean", colderSteps: 0 },
        "2026-05-24",
      ),
    ],
  ],
])("nothing is asked where the two %s", (_, entries) => {
  expect(of(...entries)).toEqual([]);
});

/** A whole chart in one go, for a file. */
import type { Case } from "../advice/judge/case.ts";
import { gridCells, walks, type GridAsked } from "./grid.ts";
import { usualHumidity } from "./usual-humidity.ts";
import { chartCells, chartGround } from "./jetting-chart.ts";
import type { DrawnCell } from "./letters.ts";

const upTo = (from: number, to: number, by: number): number[] =>
  Array.from({ length: Math.round((to - from) / by) + 1 }, (_, i) => from + i * by);

/** What most places see, -5 to 40 °C from the sea to 2500 m, in the humidity that is usual at this one. */
const usualGrid = (open: Case): GridAsked => ({
  side: "height",
  temperaturesK: upTo(268.15, 313.15, 5),
  rows: upTo(0, 2500, 250),
  relativeHumidity: usualHumidity(open.present),
});

/** @returns every cell, row by row; none for a rig whose setting is a guess, or whose walk-round found a stop */
export function wholeChart(open: Case, grid: GridAsked = usualGrid(open)): DrawnCell[] {
  const ground = chartGround(open);
  if (ground.guess || open.present.held.length > 0) return [];
  const drawn = walks(gridCells(grid), ground.fromKgM3).flatMap((walk) => {
    const fits = chartCells(
      open,
      walk.map(({ air }) => air),
      undefined,
    );
    return walk.flatMap((cell, i) => (fits[i] ? [{ ...cell, fit: fits[i] }] : []));
  });
  return drawn.sort((a, b) => a.row - b.row || a.column - b.column);
}

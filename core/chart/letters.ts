/** The settings of a chart, each with a letter: the one for the densest air first. */
import { settingKey } from "../advice/judge/judge-setting.ts";
import type { Setting } from "../log/schema.ts";
import type { GridCell } from "./grid.ts";
import type { ChartCell } from "./jetting-chart.ts";

export interface DrawnCell extends GridCell {
  readonly fit: ChartCell;
}

export interface Lettered {
  readonly letter: string;
  readonly setting: Setting;
  readonly cells: number;
}

const letterOf = (i: number): string =>
  (i < 26 ? "" : letterOf(Math.floor(i / 26) - 1)) + String.fromCharCode(65 + (i % 26));

/** @returns the settings by their key, in the order of their letters */
export function lettered(cells: readonly DrawnCell[]): ReadonlyMap<string, Lettered> {
  const found = new Map<string, { setting: Setting; cells: number; density: number }>();
  for (const { fit, dryDensityKgM3 } of cells) {
    const key = settingKey(fit.setting);
    const one = found.get(key) ?? { setting: fit.setting, cells: 0, density: 0 };
    found.set(key, { ...one, cells: one.cells + 1, density: one.density + dryDensityKgM3 });
  }
  const inOrder = [...found].sort(([, a], [, b]) => b.density / b.cells - a.density / a.cells);
  return new Map(
    inOrder.map(([key, { setting, cells: count }], i) => [
      key,
      { letter: letterOf(i), setting, cells: count },
    ]),
  );
}

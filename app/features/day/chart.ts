/** The day drawn: the air that burns with its doubt, and what it wants of a part beside what is planned. */
import type { EChartsCoreOption } from "echarts/core";
import type { DayPlan } from "#core/day/plan-day.ts";
import type { Moment, WantedPart } from "#core/day/wanted.ts";
import { partValue, PART_NAMES } from "#app/vocabulary/parts.ts";
import { localInstant } from "#app/journal/clock.ts";
import { bandSeries } from "#app/ui/chart-band.ts";
import { BODY } from "#app/theme/theme.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

interface Drawn {
  readonly plan: DayPlan;
  readonly moments: readonly Moment[];
  readonly part: WantedPart;
  /** dry density of the baseline's air */
  readonly baseKgM3: number;
}

type Point = [string, number];

const wall = (ms: number): string => localInstant(new Date(ms)).slice(0, 16);
const QUIET = "var(--quiet)";
const round = (value: number): number => Number(value.toFixed(3));

const band = (name: string, low: readonly Point[], high: readonly Point[], axis: number) =>
  bandSeries(name, low, high, { xAxisIndex: axis, yAxisIndex: axis });

const line = (name: string, data: readonly Point[], axis: number, more: object = {}) => ({
  type: "line",
  name,
  data,
  symbol: "none",
  xAxisIndex: axis,
  yAxisIndex: axis,
  itemStyle: { color: "var(--ink)" },
  lineStyle: { color: "var(--ink)", width: 2 },
  ...more,
});

/** The planned part from heat to heat, on to the end of the last one. */
function planned({ heats }: DayPlan, part: WantedPart): Point[] {
  const points = heats.map(({ heat, setting }): Point => [wall(Date.parse(heat.at)), setting[part]]);
  const last = heats.at(-1);
  if (last) points.push([wall(Date.parse(last.heat.at) + last.heat.minutes * 60_000), last.setting[part]]);
  return points;
}

/** The same for who does not see it: how the air and what it wants go from first to last. */
function inWords(air: readonly Point[], wanted: readonly Point[], part: WantedPart): string {
  const fromTo = (points: readonly Point[], digits: number) => {
    const [first, last] = [points[0], points.at(-1)];
    const said = (point: Point | undefined) =>
      point ? `${fixed(point[1], digits)} at ${point[0].slice(11)}` : "";
    return `${said(first)} to ${said(last)}`;
  };
  return `Air, per cent of the day your setting was right: ${fromTo(air, 1)}. ${PART_NAMES[part]} wanted: ${fromTo(wanted, 2)}.`;
}

/** @returns two drawings below each other on one clock */
export function dayOption({ plan, moments, part, baseKgM3 }: Drawn): EChartsCoreOption {
  const air = (z: number) =>
    moments.map(({ ms, dryDensityKgM3, lnDrySd }): Point => [
      wall(ms),
      round(((100 * dryDensityKgM3) / baseKgM3) * Math.exp(z * lnDrySd)),
    ]);
  const wanted = (of: "value" | "low" | "high") =>
    moments.map(({ ms, parts }): Point => [wall(ms), round(parts[part][of])]);
  const low = wanted("low").map(([at, value], i): Point => [
    at,
    Math.min(value, wanted("high")[i]?.[1] ?? value),
  ]);
  const high = wanted("high").map(([at, value], i): Point => [
    at,
    Math.max(value, wanted("low")[i]?.[1] ?? value),
  ]);
  const xAxis = (gridIndex: number, show: boolean) => ({
    type: "time",
    gridIndex,
    axisLabel: { show, color: QUIET, hideOverlap: true },
    axisTick: { show },
    axisLine: { lineStyle: { color: "var(--ink)" }, onZero: false },
  });
  const yAxis = (gridIndex: number, name: string, formatter: string | ((value: number) => string)) => ({
    type: "value",
    gridIndex,
    name,
    nameLocation: "end",
    nameTextStyle: { color: QUIET, align: "left", padding: [0, 0, 0, -44] },
    scale: true,
    splitNumber: 3,
    axisLabel: { color: QUIET, formatter },
    splitLine: { lineStyle: { color: "var(--hairline)" } },
  });
  return {
    aria: { enabled: true, label: { description: inWords(air(0), wanted("value"), part) } },
    textStyle: { fontFamily: BODY, fontSize: 13 },
    animation: false,
    grid: [
      { left: 56, right: 24, top: 30, height: 110 },
      { left: 56, right: 24, top: 190, height: 120 },
    ],
    tooltip: { trigger: "axis" },
    axisPointer: { link: [{ xAxisIndex: "all" }] },
    xAxis: [xAxis(0, false), xAxis(1, true)],
    yAxis: [
      yAxis(0, "Air, % of the day your setting was right", "{value} %"),
      yAxis(1, `${PART_NAMES[part]}: wanted, and as planned (blue)`, (value: number) =>
        part === "screwTurns" ? fixed(value, 2) : partValue(part, round(value)),
      ),
    ],
    series: [
      ...band("air", air(-1), air(1), 0),
      line("Air that burns", air(0), 0),
      ...band("wanted", low, high, 1),
      line("Wanted", wanted("value"), 1),
      line("Planned", planned(plan, part), 1, {
        step: "end",
        symbol: "circle",
        symbolSize: 8,
        itemStyle: { color: "var(--petrol)" },
        lineStyle: { color: "var(--petrol)", width: 2.5 },
      }),
    ],
  };
}

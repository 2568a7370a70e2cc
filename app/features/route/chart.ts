/** The way drawn: its heights, and below them the air that burns; stops stand on the profile. */
import type { EChartsCoreOption } from "echarts/core";
import type { RouteAnswer } from "#core/route/route-answer.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { BODY } from "#app/theme/theme.ts";
import { heightIn, kilometres } from "./words.ts";

const QUIET = "var(--quiet)";

/** @param baseKgM3 - dry density of the baseline's air */
export function routeOption(
  { along, plan }: RouteAnswer,
  baseKgM3: number,
  units: Preferences,
): EChartsCoreOption {
  const far = units.speed === "mph" ? "mi" : "km";
  const x = (metres: number) => Number(kilometres(metres, units).toFixed(2));
  const axis = (gridIndex: number, show: boolean) => ({
    type: "value",
    gridIndex,
    max: x(along.at(-1)?.alongM ?? 0),
    axisLabel: { show, color: QUIET, formatter: `{value} ${far}`, showMaxLabel: false },
    axisLine: { lineStyle: { color: "var(--ink)" }, onZero: false },
    splitLine: { show: false },
  });
  const up = (gridIndex: number, name: string) => ({
    type: "value",
    gridIndex,
    scale: true,
    splitNumber: 3,
    name,
    nameTextStyle: { color: QUIET, align: "left", padding: [0, 0, 0, -44] },
    axisLabel: { color: QUIET, formatter: String },
    splitLine: { lineStyle: { color: "var(--hairline)" } },
  });
  const line = (
    name: string,
    data: readonly (readonly [number, number])[],
    index: number,
    more: object = {},
  ) => ({
    type: "line",
    name,
    data,
    symbol: "none",
    xAxisIndex: index,
    yAxisIndex: index,
    itemStyle: { color: "var(--ink)" },
    lineStyle: { color: "var(--ink)", width: 2 },
    ...more,
  });
  const [first, last] = [along[0], along.at(-1)];
  const air = (dense: number | undefined) => ((100 * (dense ?? 0)) / baseKgM3).toFixed(0);
  const inWords = `Height from ${heightIn(first?.elevationM ?? 0, units)} to ${heightIn(last?.elevationM ?? 0, units)} ${units.length} over ${x(last?.alongM ?? 0)} ${far}. Air from ${air(first?.dryDensityKgM3)} to ${air(last?.dryDensityKgM3)} per cent of the day it was right.`;
  return {
    aria: { enabled: true, label: { description: inWords } },
    textStyle: { fontFamily: BODY, fontSize: 13 },
    animation: false,
    grid: [
      { left: 56, right: 24, top: 30, height: 150 },
      { left: 56, right: 24, top: 220, height: 70 },
    ],
    tooltip: { trigger: "axis" },
    axisPointer: { link: [{ xAxisIndex: "all" }] },
    xAxis: [axis(0, false), axis(1, true)],
    yAxis: [up(0, `Height, ${units.length}`), up(1, "Air, % of the day your setting was right")],
    series: [
      line(
        "Height",
        along.map(({ alongM, elevationM }) => [x(alongM), heightIn(elevationM, units)] as const),
        0,
        {
          areaStyle: { color: "var(--layer-main)", opacity: 0.35, origin: "start" },
        },
      ),
      line(
        "Air that burns",
        along.map(
          ({ alongM, dryDensityKgM3 }) =>
            [x(alongM), Number(((100 * dryDensityKgM3) / baseKgM3).toFixed(2))] as const,
        ),
        1,
      ),
      line(
        "Stop and change",
        plan.stops
          .filter(({ alongM }) => alongM > 0)
          .map(({ alongM, elevationM }) => [x(alongM), heightIn(elevationM, units)] as const),
        0,
        {
          symbol: "circle",
          symbolSize: 22,
          itemStyle: { color: "var(--petrol)" },
          lineStyle: { opacity: 0 },
          label: {
            show: true,
            position: "inside",
            color: "var(--paper)",
            fontWeight: 700,
            formatter: ({ dataIndex }: { dataIndex: number }) => String(dataIndex + 1),
          },
        },
      ),
    ],
  };
}

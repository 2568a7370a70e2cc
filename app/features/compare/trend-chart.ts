/** What is believed from day to day, with the band that holds the truth with 80 %. */
import type { EChartsCoreOption } from "echarts/core";
import { bandSeries } from "#app/ui/chart-band.ts";
import { BODY } from "#app/theme/theme.ts";
import { DOUBT_SDS } from "#app/vocabulary/parts.ts";

export interface TrendPoint {
  readonly day: string;
  readonly mean: number;
  readonly sd: number;
}

const QUIET = "var(--quiet)";
const DAY_MS = 86_400_000;
const percent = (share: number): number => Number((100 * share).toFixed(2));

/** The same for who does not see it: the first and the last of it. */
function inWords(points: readonly TrendPoint[], name: string): string {
  const said = ({ day, mean, sd }: TrendPoint) =>
    `${day} ${percent(mean).toFixed(1)} ± ${percent(DOUBT_SDS * sd).toFixed(1)} %`;
  const [first, last] = [points[0], points.at(-1)];
  return first && last ? `${name}: ${said(first)}, to ${said(last)}` : name;
}

/** @param name - what moves, with the way it is read: per cent leaner */
export function trendOption(points: readonly TrendPoint[], name: string): EChartsCoreOption {
  const at = (z: number) => points.map(({ day, mean, sd }) => [day, percent(mean + z * sd)] as const);
  const [low, high] = [at(-DOUBT_SDS), at(DOUBT_SDS)];
  return {
    aria: { enabled: true, label: { description: inWords(points, name) } },
    textStyle: { fontFamily: BODY, fontSize: 13 },
    animation: false,
    grid: { left: 56, right: 24, top: 16, bottom: 34 },
    tooltip: { trigger: "axis" },
    xAxis: {
      type: "time",
      minInterval: DAY_MS,
      axisLabel: { color: QUIET, hideOverlap: true },
      axisLine: { lineStyle: { color: "var(--ink)" }, onZero: false },
    },
    yAxis: {
      type: "value",
      scale: true,
      axisLabel: { color: QUIET, formatter: "{value} %" },
      splitLine: { lineStyle: { color: "var(--hairline)" } },
    },
    series: [
      ...bandSeries("doubt", low, high),
      {
        type: "line",
        name,
        data: at(0),
        symbol: "circle",
        symbolSize: 9,
        itemStyle: { color: "var(--ink)" },
        lineStyle: { color: "var(--ink)", width: 2 },
      },
    ],
  };
}

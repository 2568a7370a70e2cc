/** The two charts of a logger's file, as options of the chart library. */
import type { EChartsCoreOption } from "echarts/core";
import { LEAN_LIMIT, ZONE_EDGES, ZONES, type PerZone } from "#core/carburettor/zones.ts";
import type { LambdaBin } from "#core/logger/lambda-by.ts";
import type { PullSeries } from "#core/logger/pulls.ts";
import { TOLERANCE } from "#core/advice/judge/judge-setting.ts";
import { BODY } from "#app/theme/theme.ts";

type Pair = readonly [number, number | null];

const QUIET = "var(--quiet)";
const axis = (name: string) => ({
  type: "value",
  name,
  nameLocation: "middle",
  nameTextStyle: { color: QUIET },
  axisLabel: { color: QUIET },
  splitLine: { lineStyle: { color: "var(--hairline)" } },
});
const FRAME = {
  aria: { enabled: true },
  textStyle: { fontFamily: BODY, fontSize: 13 },
  animation: false,
};

/** A step of each zone's own along the throttle, in per cent. */
function steps(value: (zone: (typeof ZONES)[number]) => number): Pair[] {
  return ZONES.flatMap((zone, i): Pair[] => {
    const from = i === 0 ? 0 : 100 * (ZONE_EDGES[i - 1] ?? 0);
    const to = i === ZONES.length - 1 ? 100 : 100 * (ZONE_EDGES[i] ?? 1);
    return [
      [from, value(zone)],
      [to, value(zone)],
    ];
  });
}

const line = (name: string, data: readonly Pair[], style: object, more: object = {}) => ({
  name,
  type: "line",
  data,
  symbol: "none",
  lineStyle: { width: 2, ...style },
  ...more,
});

/**
 * λ against the throttle, over the corridor in which it is right.
 * @param scale - 1 for λ, or the air-fuel ratio at λ 1
 */
export function throttleOption(
  bins: readonly LambdaBin[],
  target: PerZone<number>,
  scale: number,
): EChartsCoreOption {
  const at = (bin: LambdaBin) => 50 * (bin.from + bin.to);
  const wander = (side: number): Pair[] =>
    bins.map((bin) => [at(bin), scale * bin.mean * Math.exp(side * bin.spread)]);
  const edge = (side: number) => steps((zone) => scale * target[zone] * Math.exp(side * TOLERANCE));
  return {
    ...FRAME,
    grid: { left: 64, right: 24, top: 16, bottom: 48 },
    tooltip: { trigger: "axis" },
    xAxis: { ...axis("throttle, %"), nameGap: 28, min: 0, max: 100, splitLine: { show: false } },
    yAxis: { ...axis(scale === 1 ? "λ" : "AFR"), nameGap: 44, scale: true },
    series: [
      line("Right, lean edge", edge(1), { color: "var(--hairline)", width: 1 }, { areaStyle: band() }),
      line("Right, rich edge", edge(-1), { color: "var(--hairline)", width: 1 }, { areaStyle: cover() }),
      line(
        "Lean limit",
        steps((zone) => scale * target[zone] * Math.exp(LEAN_LIMIT[zone])),
        { color: "var(--signal)", width: 1.5 },
      ),
      line("Strays, lean", wander(1), { color: QUIET, width: 1, type: "dashed" }),
      line("Strays, rich", wander(-1), { color: QUIET, width: 1, type: "dashed" }),
      line(
        scale === 1 ? "λ" : "AFR",
        bins.map((bin): Pair => [at(bin), scale * bin.mean]),
        { color: "var(--ink)", width: 2.5 },
        { symbol: "circle", symbolSize: 8, itemStyle: { color: "var(--ink)" } },
      ),
    ],
  };
}

/** The corridor is what lies under its upper edge and not under its lower one. */
const band = () => ({ color: "var(--corridor)", opacity: 1, origin: "start" });
const cover = () => ({ color: "var(--paper)", opacity: 1, origin: "start" });

/** One pull in time: λ and what it pulled. */
export function pullOption(series: PullSeries, scale: number, speedScale: number): EChartsCoreOption {
  const { timeS, lambda, rpm, speedMs } = series;
  const pairs = (values: readonly (number | null)[], by: number): Pair[] =>
    timeS.map((t, i) => {
      const value = values[i];
      return [Math.round(100 * t) / 100, value === null || value === undefined ? null : value * by];
    });
  const hasSpeed = speedMs.some((value) => value !== null);
  const right = hasSpeed ? pairs(speedMs, speedScale) : pairs(rpm, 1);
  return {
    ...FRAME,
    grid: { left: 64, right: 64, top: 34, bottom: 48 },
    tooltip: { trigger: "axis" },
    xAxis: { ...axis("s"), nameGap: 28, splitLine: { show: false } },
    yAxis: [
      { ...axis(scale === 1 ? "λ" : "AFR"), nameGap: 44, scale: true },
      { ...axis(hasSpeed ? "speed" : "rpm"), nameGap: 44, splitLine: { show: false } },
    ],
    series: [
      line(scale === 1 ? "λ" : "AFR", pairs(lambda, scale), { color: "var(--ink)", width: 2.5 }),
      line(hasSpeed ? "Speed" : "rpm", right, { color: "var(--petrol)", type: "dashed" }, { yAxisIndex: 1 }),
    ],
  };
}

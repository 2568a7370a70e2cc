/** Rounds one after another: the share that was right, and the bias with its doubt. */
import type { EChartsCoreOption } from "echarts/core";
import { readerBias, shareRight } from "#core/trainer/reader-bias.ts";
import type { TrainerRound } from "#app/store/trainer.ts";
import { bandSeries } from "#app/ui/chart-band.ts";
import { BODY } from "#app/theme/theme.ts";

const QUIET = "var(--quiet)";
const percent = (share: number): number => Number((100 * share).toFixed(1));

/** @param rounds - of one reader, oldest first */
export function trendOption(rounds: readonly TrainerRound[]): EChartsCoreOption {
  const names = rounds.map((_, i) => `${i + 1}`);
  // A round by itself is a loose figure, so the last two count together.
  const biases = rounds.map((round, i) => readerBias([...(rounds[i - 1]?.calls ?? []), ...round.calls]));
  const at = (sds: number) =>
    biases.map((bias, i) => [names[i] ?? "", bias ? percent(bias.mean + sds * bias.sd) : 0] as const);
  const right = rounds.map(({ calls }) => percent(shareRight(calls)));
  const axis = (name: string, more: object) => ({
    type: "value",
    name,
    nameTextStyle: { color: QUIET },
    axisLabel: { color: QUIET, formatter: "{value} %" },
    splitLine: { show: false },
    ...more,
  });
  return {
    aria: {
      enabled: true,
      label: {
        description: `Right in the first round ${right[0] ?? 0} %, in the last ${right.at(-1) ?? 0} %.`,
      },
    },
    textStyle: { fontFamily: BODY, fontSize: 13 },
    animation: false,
    grid: { left: 56, right: 60, top: 32, bottom: 40 },
    xAxis: {
      type: "category",
      data: names,
      name: "round",
      nameLocation: "middle",
      nameGap: 26,
      axisLabel: { color: QUIET },
      axisLine: { onZero: false },
    },
    yAxis: [axis("right", { min: 0, max: 100 }), axis("reads too lean", {})],
    series: [
      {
        type: "line",
        name: "Right",
        data: right.map((share, i) => [names[i] ?? "", share]),
        symbol: "rect",
        symbolSize: 9,
        itemStyle: { color: "var(--petrol)" },
        lineStyle: { color: "var(--petrol)", type: "dashed", width: 2 },
      },
      ...bandSeries("doubt", at(-2), at(2), { yAxisIndex: 1 }),
      {
        type: "line",
        name: "Reads too lean",
        yAxisIndex: 1,
        data: at(0),
        symbol: "circle",
        symbolSize: 8,
        itemStyle: { color: "var(--ink)" },
        lineStyle: { color: "var(--ink)", width: 2 },
      },
    ],
  };
}

import type { EChartsCoreOption } from "echarts/core";
import { useMemo } from "react";
import type { BestIdle, IdlePoint } from "#core/idle/best-idle.ts";
import { LazyChart } from "#app/ui/LazyChart.tsx";
import { BODY } from "#app/theme/theme.ts";

interface IdleChartProps {
  readonly points: readonly IdlePoint[];
  readonly fit: BestIdle | undefined;
  readonly target: number | undefined;
}

type Pair = [number, number];

/** The fitted crest as three knots a side: it is drawn through its fall-offs. */
function curve(fit: BestIdle): Pair[] {
  const { crestRpm, crestTurns, fallInTurns, fallOutTurns } = fit;
  const side = (end: number): Pair[] =>
    [1.8, 1.4, 1, 0.75, 0.5, 0.25].map((share) => [
      crestTurns + share * (end - crestTurns),
      crestRpm * (1 - 0.02 * share * share),
    ]);
  return [...side(fallInTurns), [crestTurns, crestRpm], ...side(fallOutTurns).reverse()];
}

function option({ points, fit, target }: IdleChartProps): EChartsCoreOption {
  const rpms = points.map(({ rpm }) => rpm);
  const [low, high] = [Math.min(...rpms), Math.max(...rpms, fit?.crestRpm ?? 0)];
  const upright = (turns: number): Pair[] => [
    [turns, low],
    [turns, high],
  ];
  const line = (name: string, data: Pair[], style: object) => ({
    name,
    type: "line",
    data,
    symbol: "none",
    lineStyle: { width: 2, ...style },
  });
  return {
    aria: { enabled: true },
    textStyle: { fontFamily: BODY, fontSize: 13 },
    animation: false,
    grid: { left: 58, right: 24, top: 16, bottom: 44 },
    xAxis: {
      type: "value",
      name: "turns out",
      nameLocation: "middle",
      nameGap: 26,
      scale: true,
      axisLabel: { color: "var(--quiet)" },
      splitLine: { show: false },
    },
    yAxis: {
      type: "value",
      scale: true,
      axisLabel: { color: "var(--quiet)" },
      splitLine: { lineStyle: { color: "var(--hairline)" } },
    },
    series: [
      {
        name: "Readings",
        type: "line",
        data: points.map(({ turns, rpm }): Pair => [turns, rpm]),
        symbol: "circle",
        symbolSize: 11,
        lineStyle: { width: 0 },
        itemStyle: { color: "var(--ink)" },
      },
      ...(fit
        ? [
            line("Fit", curve(fit), { color: "var(--petrol)" }),
            line("Fall-off, in", upright(fit.fallInTurns), {
              color: "var(--quiet)",
              type: "dashed",
              width: 1,
            }),
            line("Fall-off, out", upright(fit.fallOutTurns), {
              color: "var(--quiet)",
              type: "dashed",
              width: 1,
            }),
          ]
        : []),
      ...(target === undefined ? [] : [line("Set to", upright(target), { color: "var(--brass)" })]),
    ],
  };
}

/** rpm against turns, with the fitted crest, its fall-offs and where the screw goes. */
export function IdleChart({ points, fit, target }: IdleChartProps) {
  const drawn = useMemo(() => option({ points, fit, target }), [points, fit, target]);
  return points.length === 0 ? null : (
    <section>
      <h2 className="label">Idle speed against turns out</h2>
      <LazyChart option={drawn} height={230} />
    </section>
  );
}

import type { EChartsCoreOption } from "echarts/core";
import { useMemo } from "react";
import { humidAir } from "#core/air/humid-air.ts";
import type { LogLine } from "#core/log/present.ts";
import type { Build } from "#core/log/schema.ts";
import { humidAirFromLog } from "#core/rig/from-build.ts";
import { LazyChart } from "#app/ui/LazyChart.tsx";
import { BODY } from "#app/theme/theme.ts";

interface AirChartProps {
  readonly lines: readonly LogLine[];
  readonly reference: Build["baseline"]["air"];
}

/** Dry density over the baseline's, one point a reading, in the log's own clock. */
function useReadings({ lines, reference }: AirChartProps): [string, number][] {
  return useMemo(() => {
    const base = humidAir(reference).dryDensityKgM3;
    return lines.flatMap(({ entry, struck }): [string, number][] =>
      entry.kind === "air" && !struck
        ? [[entry.at.slice(0, 16), Number(((100 * humidAirFromLog(entry).dryDensityKgM3) / base).toFixed(2))]]
        : [],
    );
  }, [lines, reference]);
}

function option(readings: [string, number][]): EChartsCoreOption {
  const quiet = "var(--quiet)";
  return {
    aria: { enabled: true },
    textStyle: { fontFamily: BODY, fontSize: 13 },
    animation: false,
    grid: { left: 56, right: 24, top: 14, bottom: 34 },
    tooltip: { trigger: "axis", valueFormatter: (value: unknown) => `${String(value)} %` },
    xAxis: {
      type: "time",
      axisLabel: { color: quiet, hideOverlap: true },
      axisLine: { lineStyle: { color: "var(--ink)" } },
    },
    yAxis: {
      type: "value",
      scale: true,
      axisLabel: { color: quiet, formatter: "{value} %" },
      splitLine: { lineStyle: { color: "var(--hairline)" } },
    },
    series: [
      {
        name: "Air that burns",
        type: "line",
        data: readings,
        symbol: "circle",
        symbolSize: 9,
        itemStyle: { color: "var(--ink)" },
        lineStyle: { color: "var(--ink)", width: 2 },
      },
    ],
  };
}

/** The air so far: how much of the baseline's air each reading was worth. Drawn once it scrolls into view. */
export function AirChart(props: AirChartProps) {
  const readings = useReadings(props);
  const drawn = useMemo(() => option(readings), [readings]);
  if (readings.length < 2) return null;
  return (
    <section>
      <h2 className="label">The air so far, in per cent of the day your setting was right</h2>
      <LazyChart option={drawn} height={190} />
    </section>
  );
}

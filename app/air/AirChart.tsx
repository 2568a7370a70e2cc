import { LineChart } from "echarts/charts";
import { GridComponent, TooltipComponent, AriaComponent } from "echarts/components";
import * as echarts from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useEffect, useMemo, useRef } from "react";
import { humidAir } from "#core/air/humid-air.ts";
import type { LogLine } from "#core/log/fold.ts";
import type { Build } from "#core/log/schema.ts";
import { humidAirFromLog } from "#core/rig/from-build.ts";
import { BODY } from "#app/theme/theme.ts";

echarts.use([LineChart, GridComponent, TooltipComponent, AriaComponent, SVGRenderer]);

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

function option(readings: [string, number][]): echarts.EChartsCoreOption {
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

/** The air so far: how much of the baseline's air each reading was worth. */
export default function AirChart(props: AirChartProps) {
  const readings = useReadings(props);
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = place.current;
    if (!element) return;
    const chart = echarts.init(element, undefined, { renderer: "svg" });
    chart.setOption(option(readings), { notMerge: true });
    const observer = new ResizeObserver(() => chart.resize());
    observer.observe(element);
    return () => {
      observer.disconnect();
      chart.dispose();
    };
  }, [readings]);
  if (readings.length < 2) return null;
  return (
    <section>
      <h2 className="label">The air so far, per cent of the baseline’s</h2>
      <div ref={place} style={{ height: 190 }} />
    </section>
  );
}

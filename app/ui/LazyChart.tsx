import type { EChartsCoreOption, EChartsType } from "echarts/core";
import { useEffect, useRef } from "react";

const turn = (): Promise<void> => new Promise((done) => setTimeout(done));

/** Loads the chart library in steps and draws a chart, none of which blocks the main thread. */
async function openChart(element: HTMLElement, heat: boolean): Promise<EChartsType> {
  const engine = await import("echarts/core");
  await turn();
  const { CHART_PARTS } = await import("./chart-library.ts");
  await turn();
  engine.use(CHART_PARTS);
  await turn();
  if (heat) engine.use((await import("./chart-heat.ts")).HEAT_PARTS);
  const chart = engine.init(element, undefined, { renderer: heat ? "canvas" : "svg" });
  await turn();
  return chart;
}

/** A map is painted over several frames: an empty one at once ends that, or the next frame finds nothing to paint on. */
function close(chart: EChartsType): void {
  chart.clear();
  chart.getZr().refreshImmediately();
  chart.dispose();
}

/** A chart, drawn once it scrolls into view and whenever its option is another. */
export function LazyChart({
  option,
  height,
  heat = false,
}: {
  option: EChartsCoreOption;
  height: number;
  /** a map of many fields */
  heat?: boolean;
}) {
  const place = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType>(undefined);
  const newest = useRef(option);
  useEffect(() => {
    newest.current = option;
    chart.current?.setOption(option, { notMerge: true });
  }, [option]);
  useEffect(() => {
    const element = place.current;
    if (!element) return;
    let left = false;
    const resized = new ResizeObserver(() => chart.current?.resize());
    const seen = new IntersectionObserver(([entry]) => {
      if (!entry?.isIntersecting) return;
      seen.disconnect();
      void openChart(element, heat).then(async (opened) => {
        if (left) return close(opened);
        chart.current = opened;
        // Axes in one turn, what they carry in the next: the first drawing is the slowest. It is a picture of nothing yet.
        opened.setOption({ ...newest.current, aria: { enabled: false }, series: [] }, { notMerge: true });
        await turn();
        if (left) return;
        opened.setOption(newest.current, { notMerge: true, lazyUpdate: true });
        resized.observe(element);
      });
    });
    seen.observe(element);
    return () => {
      left = true;
      seen.disconnect();
      resized.disconnect();
      if (chart.current) close(chart.current);
      chart.current = undefined;
    };
  }, [heat]);
  return <div ref={place} style={{ height }} />;
}

/** Chart parts for a heat map, drawn on a canvas. */
import { HeatmapChart, ScatterChart } from "echarts/charts";
import { VisualMapPiecewiseComponent } from "echarts/components";
import { CanvasRenderer } from "echarts/renderers";

export const HEAT_PARTS = [HeatmapChart, ScatterChart, VisualMapPiecewiseComponent, CanvasRenderer];

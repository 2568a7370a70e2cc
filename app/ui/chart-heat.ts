/** What a map of colours needs besides: drawn on a canvas, for thousands of fields are too many for a drawing. */
import { HeatmapChart, ScatterChart } from "echarts/charts";
import { VisualMapPiecewiseComponent } from "echarts/components";
import { CanvasRenderer } from "echarts/renderers";

export const HEAT_PARTS = [HeatmapChart, ScatterChart, VisualMapPiecewiseComponent, CanvasRenderer];

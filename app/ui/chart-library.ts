/**
 * The parts of the chart library that the charts here need. Loaded apart from its engine, so that neither holds the
 * screen for long.
 */
import { LineChart } from "echarts/charts";
import { AriaComponent, GridComponent, TooltipComponent } from "echarts/components";
import { SVGRenderer } from "echarts/renderers";

export const CHART_PARTS = [LineChart, GridComponent, TooltipComponent, AriaComponent, SVGRenderer];

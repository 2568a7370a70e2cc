/** The map as an option of the chart library: a canvas knows no CSS roles, so it is handed the colours as they are now. */
import type { EChartsCoreOption } from "echarts/core";
import type { LambdaMap } from "#core/advice/judge/lambda-map.ts";
import { toneOf } from "#core/looks/plug-tone.ts";
import { TONES } from "#core/log/parts.ts";
import { TONE_COLOURS } from "#app/theme/colours.ts";
import { BODY } from "#app/theme/theme.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

export interface Roles {
  readonly ink: string;
  readonly quiet: string;
  readonly paper: string;
  readonly hairline: string;
}

/** Openings that a tuner names. */
const NAMED = [
  [0, "shut"],
  [1 / 8, "⅛"],
  [1 / 4, "¼"],
  [1 / 2, "½"],
  [3 / 4, "¾"],
  [1, "open"],
] as const;
const FAR_PALER = 0.6;
const LINE_WIDTH = 2.5;
/** Fields are coarse: a point in each would draw stairs. */
const EVERY = 4;

/** @returns the place of the value that is nearest */
export const placeOf = (values: readonly number[], wanted: number): number =>
  values.reduce(
    (best, value, i) => (Math.abs(value - wanted) < Math.abs((values[best] ?? 0) - wanted) ? i : best),
    0,
  );

/** Of the speeds those next to a whole thousand, or to every second one where there are many. */
function namedSpeeds(rpms: readonly number[]): ReadonlyMap<number, string> {
  const [slowest = 0] = rpms;
  const fastest = rpms.at(-1) ?? 0;
  const step = fastest > 9000 ? 2000 : 1000;
  const named = new Map<number, string>();
  for (let rpm = Math.ceil(slowest / step) * step; rpm <= fastest; rpm += step)
    named.set(placeOf(rpms, rpm), String(rpm));
  return named;
}

/** @returns a colour between two, both as `#rrggbb` */
export function between(from: string, to: string, share: number): string {
  const parts = (hex: string) => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16));
  const [a, b] = [parts(from), parts(to)];
  const mixed = a.map((value, i) => Math.round(value + share * ((b[i] ?? value) - value)));
  return `#${mixed.map((value) => value.toString(16).padStart(2, "0")).join("")}`;
}

/** A field's tone by its number; what is extrapolated comes after the seven. */
const codeOf = (error: number, far: boolean): number =>
  TONES.indexOf(toneOf(error)) + (far ? TONES.length : 0);

/** Paler ones are mixed, not let through: fields that overlap would show their seams. */
const pieces = (paper: string) => [
  ...TONES.map((tone, value) => ({ value, color: TONE_COLOURS[tone] })),
  ...TONES.map((tone, i) => ({
    value: TONES.length + i,
    color: between(TONE_COLOURS[tone], paper, FAR_PALER),
  })),
];

/**
 * @param mixture - λ as the tuner reads it, in words
 * @returns fields of throttle and speed in the tones of a plug, the line that is ridden, and where a file was ridden
 */
export function mapOption(
  map: LambdaMap,
  roles: Roles,
  mixture: (lambda: number) => string,
): EChartsCoreOption {
  const { throttles, rpms, line, errors, sds, lambdas, far, ridden } = map;
  const across = throttles.length;
  const openings = new Map(NAMED.map(([opening, name]) => [placeOf(throttles, opening), name as string]));
  const speeds = namedSpeeds(rpms);
  const axis = (name: string, count: number, named: ReadonlyMap<number, string>) => ({
    type: "category",
    name,
    nameLocation: "middle",
    nameTextStyle: { color: roles.quiet },
    data: Array.from({ length: count }, (_, i) => i),
    axisTick: { show: false },
    axisLine: { lineStyle: { color: roles.hairline } },
    axisLabel: {
      color: roles.quiet,
      interval: (i: number) => named.has(i),
      formatter: (i: string) => named.get(Number(i)) ?? "",
    },
  });
  const words = (field: number): string => {
    const [x, y] = [field % across, Math.floor(field / across)];
    const doubt = `± ${fixed(100 * 1.28 * (sds[field] ?? 0), 0)} %`;
    const where = `${Math.round(100 * (throttles[x] ?? 0))} % throttle, ${Math.round((rpms[y] ?? 0) / 50) * 50} rpm`;
    return `${where}<br>${mixture(lambdas[field] ?? 1)} ${doubt}${far[field] ? "<br>extrapolated" : ""}`;
  };
  return {
    aria: {
      enabled: true,
      label: { description: "Mixture over throttle and engine speed; the table below has it in figures" },
    },
    animation: false,
    textStyle: { fontFamily: BODY, fontSize: 13 },
    grid: { left: 64, right: 16, top: 12, bottom: 52 },
    tooltip: {
      backgroundColor: roles.paper,
      borderColor: roles.hairline,
      textStyle: { color: roles.ink },
      formatter: (at: { seriesIndex: number; dataIndex: number }) => {
        if (at.seriesIndex === 0) return words(at.dataIndex);
        const cell = at.seriesIndex === 2 ? ridden[at.dataIndex] : undefined;
        return cell
          ? `Ridden: ${Math.round(100 * cell.throttle)} % throttle, ${cell.rpm} rpm<br>${mixture(cell.lambda)}, ${Math.round(cell.seconds)} s`
          : "The line that is ridden";
      },
    },
    xAxis: { ...axis("throttle", across, openings), nameGap: 30 },
    yAxis: { ...axis("engine speed, rpm", rpms.length, speeds), nameGap: 48 },
    visualMap: { type: "piecewise", show: false, seriesIndex: 0, dimension: 2, pieces: pieces(roles.paper) },
    series: [
      {
        type: "heatmap",
        progressive: 600,
        data: errors.map((error, field) => [
          field % across,
          Math.floor(field / across),
          codeOf(error, far[field] === true),
        ]),
      },
      {
        type: "line",
        symbol: "none",
        silent: true,
        lineStyle: { color: roles.ink, width: LINE_WIDTH },
        data: line.flatMap((rpm, x) =>
          x % EVERY === 0 || x === across - 1 ? [[x, placeOf(rpms, rpm)]] : [],
        ),
      },
      {
        type: "scatter",
        data: ridden.map(({ throttle, rpm, lambda, seconds }) => ({
          value: [placeOf(throttles, throttle), placeOf(rpms, rpm)],
          symbolSize: 7 + Math.min(9, Math.sqrt(seconds)),
          itemStyle: {
            color: TONE_COLOURS[toneOf(errorOfRidden(map, throttle, rpm, lambda))],
            borderColor: roles.ink,
            borderWidth: 1.5,
          },
        })),
      },
    ],
  };
}

/** @returns how far λ there was from what is wanted there, + lean */
export function errorOfRidden(
  { throttles, rpms, errors, lambdas }: LambdaMap,
  throttle: number,
  rpm: number,
  lambda: number,
): number {
  const field = placeOf(rpms, rpm) * throttles.length + placeOf(throttles, throttle);
  const target = (lambdas[field] ?? lambda) / Math.exp(errors[field] ?? 0);
  return Math.log(lambda / target);
}

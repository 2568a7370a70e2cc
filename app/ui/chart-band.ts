/** An uncertainty band as two stacked chart series. */
export type BandPoint = readonly [at: string, value: number];

/**
 * @param low - at the same places as `high`, below or above nought
 * @param more - which axes, where there are several
 */
export function bandSeries(
  name: string,
  low: readonly BandPoint[],
  high: readonly BandPoint[],
  more: object = {},
): readonly object[] {
  const common = {
    type: "line",
    symbol: "none",
    stack: name,
    // What lies below nought is stacked like the rest.
    stackStrategy: "all",
    silent: true,
    lineStyle: { opacity: 0 },
    tooltip: { show: false },
    ...more,
  };
  return [
    { ...common, name: `${name} from`, data: low },
    {
      ...common,
      name: `${name} to`,
      data: high.map(([at, value], i) => [at, Number((value - (low[i]?.[1] ?? value)).toFixed(3))]),
      areaStyle: { color: "var(--doubt)", opacity: 1 },
    },
  ];
}

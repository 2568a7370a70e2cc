/** The map as it is handed to the chart library: every field once, in the tones of a plug, the ridden ones over it. */
import type { LambdaMap } from "#core/advice/judge/lambda-map.ts";
import { TONE_COLOURS } from "#app/theme/colours.ts";
import { between, errorOfRidden, mapOption, placeOf } from "./chart.ts";

const map: LambdaMap = {
  throttles: [0, 0.5, 1],
  rpms: [1500, 5000, 8500],
  line: [1600, 6000, 8500],
  errors: [0, 0.2, -0.2, 0, 0, 0, 0.05, 0, -0.1],
  sds: new Array<number>(9).fill(0.03),
  lambdas: [0.88, 1.1, 0.72, 0.88, 0.9, 0.86, 0.92, 0.9, 0.78],
  far: [false, true, true, true, false, true, true, true, false],
  ridden: [{ throttle: 0.52, rpm: 5250, lambda: 0.98, seconds: 16 }],
};
const roles = { ink: "#000000", quiet: "#555555", paper: "#ffffff", hairline: "#cccccc" };

interface Series {
  readonly type: string;
  readonly data: readonly (readonly number[])[];
}
interface Ridden {
  readonly data: readonly { readonly itemStyle: { readonly color: string } }[];
}
const option = mapOption(map, roles, (lambda) => `λ ${lambda.toFixed(2)}`) as {
  series: readonly [Series, Series, Ridden];
  visualMap: { pieces: readonly { value: number; color: string }[] };
  tooltip: { formatter: (at: { seriesIndex: number; dataIndex: number }) => string };
};
const { pieces } = option.visualMap;
const colourAt = (field: number) =>
  pieces.find(({ value }) => value === option.series[0].data[field]?.[2])?.color;

it("holds every field once, in the tone of its mixture", () => {
  expect(option.series[0].data.map(([x, y]) => [x, y])).toEqual(
    map.errors.map((_, i) => [i % 3, Math.floor(i / 3)]),
  );
  expect([0, 4, 8].map(colourAt)).toEqual([TONE_COLOURS.biscuit, TONE_COLOURS.biscuit, TONE_COLOURS.umber]);
});

it("is paler where it is extrapolated, and never the colour of another tone", () => {
  expect(colourAt(1)).toBe(between(TONE_COLOURS.chalk, "#ffffff", 0.6));
  expect(colourAt(3)).not.toBe(colourAt(0));
  expect(new Set(pieces.map(({ color }) => color)).size).toBe(14);
  expect(between("#000000", "#ff8040", 0.5)).toBe("#804020");
});

it("says in words what stands under the finger", () => {
  const { formatter } = option.tooltip;
  expect(formatter({ seriesIndex: 0, dataIndex: 4 })).toBe("50 % throttle, 5000 rpm<br>λ 0.90 ± 4 %");
  expect(formatter({ seriesIndex: 0, dataIndex: 1 })).toContain("extrapolated");
  expect(formatter({ seriesIndex: 2, dataIndex: 0 })).toBe("Ridden: 52 % throttle, 5250 rpm<br>λ 0.98, 16 s");
  expect(formatter({ seriesIndex: 1, dataIndex: 0 })).toBe("The line that is ridden");
});

it("where it was ridden it has the tone of what the sensor showed, not of what is believed", () => {
  expect(errorOfRidden(map, 0.52, 5250, 0.9)).toBeCloseTo(0, 9);
  expect(errorOfRidden(map, 0, 8500, 0.92)).toBeCloseTo(0.05, 9);
  expect(option.series[2].data[0]?.itemStyle.color).toBe(TONE_COLOURS.bone);
  expect([placeOf(map.rpms, 0), placeOf(map.rpms, 4000), placeOf(map.rpms, 1e6)]).toEqual([0, 1, 2]);
});

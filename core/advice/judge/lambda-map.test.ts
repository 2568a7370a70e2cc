/** λ over throttle and speed: on the line what the strip says, beside it what the model adds. */
import { air, build, lookWith, strike } from "../../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import { operatingSpeed } from "../../carburettor/air-flow.ts";
import { WORKED_EXAMPLE } from "../../__tests__/worked-example.ts";
import { ATV } from "../../../demo/other-rigs.ts";
import type { Entry } from "../../log/schema.ts";
import { advise } from "../card/advise.ts";
import { openCase } from "./case.ts";
import { lambdaMap, NEAR_LINE } from "./lambda-map.ts";

const log: Entry[] = [
  build(),
  air("0001", "08:30"),
  lookWith("0001", "09:00", { type: "lambda", zone: "top", lambda: 0.82, sensor: "inside" }),
];
const ridden = [{ throttle: 0.5, rpm: 5250, lambda: 0.88, seconds: 12 }];
const file = (id: string, time: string, where?: typeof ridden): Entry => ({
  id: `import:${id}`,
  at: `2026-05-23T${time}:00+02:00`,
  kind: "import",
  file: "ride.csv",
  rows: 100,
  seconds: 60,
  ...(where && { ridden: where }),
});

it("on the line that is ridden it is what the strip draws", () => {
  const open = openCase(log);
  const { strip } = advise(log);
  const map = lambdaMap(open, 0, 61, 401);
  expect(map.errors).toHaveLength(61 * 401);
  map.line.forEach((rpm, x) => {
    expect(rpm).toBeCloseTo(operatingSpeed(WORKED_EXAMPLE.engine, map.throttles[x] ?? NaN), 9);
    const y = map.rpms.reduce(
      (best, one, i) => (Math.abs(one - rpm) < Math.abs((map.rpms[best] ?? 0) - rpm) ? i : best),
      0,
    );
    const field = y * 61 + x;
    expect(map.far[field]).toBe(false);
    // Half a step of speed away at the most.
    expect(Math.abs((map.errors[field] ?? NaN) - (strip[x]?.mean ?? NaN))).toBeLessThan(0.02);
    expect(map.sds[field]).toBeCloseTo(strip[x]?.sd ?? NaN, 3);
  });
});

it("far from it is said to be, and is doubted more", () => {
  const { far, sds, rpms, line, throttles, lambdas } = lambdaMap(openCase(log), 0, 20, 30);
  far.forEach((is, field) => {
    const [x, y] = [field % throttles.length, Math.floor(field / throttles.length)];
    expect(is).toBe(Math.abs((rpms[y] ?? 0) / (line[x] ?? 1) - 1) > NEAR_LINE);
    expect(Number.isFinite(lambdas[field])).toBe(true);
  });
  const top = throttles.length - 1;
  expect(sds[top] ?? 0).toBeGreaterThan(sds[(rpms.length - 3) * throttles.length + top] ?? Infinity);
});

it("a vacuum slide's map is one too", () => {
  const atv: Entry = { ...(build() as Extract<Entry, { kind: "build" }>), build: ATV.build };
  const { lambdas } = lambdaMap(openCase([atv]), 0, 10, 10);
  expect(lambdas).toHaveLength(100);
  for (const lambda of lambdas) expect(lambda).toBeGreaterThan(0);
});

it("shows where the newest file was ridden, unless that was struck through", () => {
  const elsewhere = [{ throttle: 0.9, rpm: 7750, lambda: 0.84, seconds: 3 }];
  const both = [
    ...log,
    file("0001", "10:00", ridden),
    file("0002", "11:00", elsewhere),
    file("0003", "12:00"),
  ];
  expect(lambdaMap(openCase(both)).ridden).toEqual(elsewhere);
  expect(lambdaMap(openCase([...both, strike("0001", "13:00", "import:0002")])).ridden).toEqual(ridden);
  expect(lambdaMap(openCase(log)).ridden).toEqual([]);
  expect(ENDURO_BUILD.engine.peakRpm).toBeLessThan(lambdaMap(openCase(log)).rpms.at(-1) ?? 0);
});

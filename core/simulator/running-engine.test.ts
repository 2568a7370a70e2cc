import { seededRandom } from "../numbers/random.ts";
import {
  runOn,
  startCold,
  type RunningControls,
  type RunningEngine,
  type RunningState,
} from "./running-engine.ts";

/** Right at 1.5 turns out, an air screw: a tenth leaner for each turn further out. */
const ENGINE: RunningEngine = {
  crestRpm: 1700,
  peakRpm: 8500,
  errorAt: (turns) => 0.1 * (turns - 1.5),
};
const AT_BASE: RunningControls = { screwTurns: 1.5, idleStopTurns: 0, throttle: 0 };

function run(
  seconds: number,
  controls: RunningControls,
  from: RunningState,
  engine = ENGINE,
): RunningState[] {
  const random = seededRandom(9);
  const states = [from];
  for (let i = 0; i < seconds * 20; i += 1)
    states.push(runOn(engine, states.at(-1) ?? from, controls, 0.05, random));
  return states;
}
const last = (states: readonly RunningState[]): RunningState => states.at(-1) ?? startCold(ENGINE);
const warm = last(run(30, AT_BASE, startCold(ENGINE)));

describe("an engine that runs", () => {
  it("starts cold and slow, and warms up to its idle", () => {
    expect(startCold(ENGINE)).toMatchObject({ rpm: 1190, warmth: 0 });
    expect(warm.warmth).toBeGreaterThan(0.99);
    expect(Math.abs(warm.rpm / 1700 - 1)).toBeLessThan(0.02);
  });
  it("answers the idle stop by a quarter of its speed a turn", () => {
    const raised = last(run(8, { ...AT_BASE, idleStopTurns: 1 }, warm));
    expect(raised.rpm / warm.rpm).toBeCloseTo(1.25, 1);
  });
  it("loses speed on both sides of its best mixture, after a lag", () => {
    for (const screwTurns of [0.2, 3]) {
      const states = run(8, { ...AT_BASE, screwTurns }, warm);
      expect(last(states).rpm).toBeLessThan(0.98 * warm.rpm);
      expect(states[1]?.rpm).toBeGreaterThan(0.99 * warm.rpm);
    }
  });
  it("hangs after a blip when lean, and dips when rich", () => {
    const after = (screwTurns: number) => {
      const there = last(run(8, { ...AT_BASE, screwTurns }, warm));
      const blipped = last(run(0.6, { ...AT_BASE, screwTurns, throttle: 0.7 }, there));
      expect(blipped.rpm).toBeGreaterThan(3000);
      return { there, returned: run(2.5, { ...AT_BASE, screwTurns }, blipped) };
    };
    const [right, lean, rich] = [after(1.5), after(2.6), after(0.7)];
    const stillHigh = ({ there, returned }: typeof right) =>
      returned.filter(({ rpm }) => rpm > 1.1 * there.rpm).length;
    expect(stillHigh(lean)).toBeGreaterThan(1.5 * stillHigh(right));
    const lowest = ({ there, returned }: typeof right) =>
      Math.min(...returned.map(({ rpm }) => rpm)) / there.rpm;
    expect(lowest(rich)).toBeLessThan(0.97);
    expect(lowest(right)).toBeGreaterThan(0.97);
  });
  it("stalls when the mixture is hopeless, and stays stalled", () => {
    const stalled = last(run(10, { ...AT_BASE, screwTurns: 9 }, warm));
    expect(stalled.rpm).toBe(0);
    expect(() => runOn(ENGINE, warm, AT_BASE, 11, seededRandom(1))).toThrow("step must be in 0..10 s");
  });
});

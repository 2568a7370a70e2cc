import { seededRandom } from "../numbers/random.ts";
import { leastWork, type Stages } from "./least-work.ts";

/** The same by trying every way there is. */
function everyWay({ stages, options, cost, move, start }: Stages): number {
  const from = (stage: number, at: number): number => {
    if (stage === stages) return 0;
    let best = Infinity;
    for (let to = 0; to < options; to += 1)
      best = Math.min(best, (to === at ? 0 : move(stage, at, to)) + cost(stage, to) + from(stage + 1, to));
    return best;
  };
  return from(0, start);
}

function someDay(seed: number): Stages {
  const random = seededRandom(seed);
  const costs = Array.from({ length: 6 * 4 }, () => random.uniform());
  const works = Array.from({ length: 4 * 4 }, () =>
    random.uniform() < 0.2 ? Infinity : 0.3 * random.uniform(),
  );
  return {
    stages: 6,
    options: 4,
    cost: (stage, option) => costs[4 * stage + option] ?? 0,
    move: (_, a, b) => works[4 * a + b] ?? 0,
    start: 1,
  };
}

describe("the least work over a day", () => {
  it("finds what trying every way finds", () => {
    for (let seed = 1; seed <= 20; seed += 1) {
      const day = someDay(seed);
      expect(leastWork(day).total).toBeCloseTo(everyWay(day), 9);
    }
  });

  it("costs what its own path adds up to", () => {
    const day = someDay(7);
    const { path, total } = leastWork(day);
    let at = day.start;
    const sum = path.reduce((before, to, stage) => {
      const work = to === at ? 0 : day.move(stage, at, to);
      at = to;
      return before + work + day.cost(stage, to);
    }, 0);
    expect(sum).toBeCloseTo(total, 9);
  });

  it("stays where nothing is gained", () => {
    const { path } = leastWork({ stages: 5, options: 3, cost: () => 1, move: () => 0, start: 2 });
    expect(path).toEqual([2, 2, 2, 2, 2]);
  });

  it("says what it cannot be asked", () => {
    const day = { stages: 2, options: 2, cost: () => 0, move: () => 0, start: 2 };
    expect(() => leastWork(day)).toThrow("start must be in 0..1, got 2");
    expect(() => leastWork({ ...day, stages: 0, start: 0 })).toThrow(RangeError);
  });
});

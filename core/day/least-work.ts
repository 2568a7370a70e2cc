/** Shortest path over stages by dynamic programming: minimises expected loss plus work. */

export interface Stages {
  /** how many stages follow one another */
  readonly stages: number;
  /** how many settings there are to choose from */
  readonly options: number;
  /** what a setting costs in a stage */
  readonly cost: (stage: number, option: number) => number;
  /** what it costs to come from one setting to another before a stage; Infinity where nobody would */
  readonly move: (stage: number, from: number, to: number) => number;
  /** what is fitted at first */
  readonly start: number;
}

export interface LeastWork {
  /** the setting of each stage */
  readonly path: readonly number[];
  readonly total: number;
}

/**
 * @returns the cheapest way through; of two alike the one that stays longer
 * @throws {RangeError} for no stages, no options, or a start that is none of them
 */
export function leastWork({ stages, options, cost, move, start }: Stages): LeastWork {
  if (!(stages >= 1 && options >= 1))
    throw new RangeError(`stages and options must be 1 or more, got ${stages}, ${options}`);
  if (!(start >= 0 && start < options))
    throw new RangeError(`start must be in 0..${options - 1}, got ${start}`);
  // Backwards: what is still to come from each setting on, and where to go from it.
  let ahead = new Float64Array(options);
  const goes: number[][] = [];
  for (let stage = stages - 1; stage >= 0; stage -= 1) {
    const here = Float64Array.from({ length: options }, (_, to) => cost(stage, to) + (ahead[to] ?? 0));
    const best = Array.from({ length: options }, (_, from) => {
      let to = from;
      for (let other = 0; other < options; other += 1) {
        const there = other === from ? 0 : move(stage, from, other);
        const kept = to === from ? 0 : move(stage, from, to);
        if (there + (here[other] ?? 0) < kept + (here[to] ?? 0) - 1e-12) to = other;
      }
      return to;
    });
    goes[stage] = best;
    ahead = Float64Array.from(
      best,
      (to, from) => (to === from ? 0 : move(stage, from, to)) + (here[to] ?? 0),
    );
  }
  const path: number[] = [];
  let at = start;
  for (let stage = 0; stage < stages; stage += 1) {
    at = goes[stage]?.[at] ?? at;
    path.push(at);
  }
  return { path, total: ahead[start] ?? Number.NaN };
}

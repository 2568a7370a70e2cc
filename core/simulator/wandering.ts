/** First-order autoregressive process (AR(1)), linear between its steps: a mean-reverting random walk. */
import type { Random } from "../numbers/random.ts";

const HOURS = 49;
const STEPS_AN_HOUR = 2;
const BACK_H = 6;

/** @returns its value at an hour from 0 to 48, of that sd, the same whenever asked */
export function gaussianWalk(random: Random, sd: number): (hour: number) => number {
  const keep = Math.exp(-1 / (STEPS_AN_HOUR * BACK_H));
  const values: number[] = [];
  let now = random.normal();
  for (let i = 0; i < HOURS * STEPS_AN_HOUR; i += 1) {
    values.push(sd * now);
    now = keep * now + Math.sqrt(1 - keep * keep) * random.normal();
  }
  return (hour) => {
    const place = Math.min(values.length - 1.001, Math.max(0, hour * STEPS_AN_HOUR));
    const [i, share] = [Math.floor(place), place % 1];
    return (1 - share) * (values[i] ?? 0) + share * (values[i + 1] ?? 0);
  };
}

/** The normal distribution. */

const SQRT_TWO_PI = 2.5066282746310002;

/** @returns density of the standard normal */
export function normalDensity(x: number): number {
  return Math.exp(-0.5 * x * x) / SQRT_TWO_PI;
}

/** Highest power first. */
const polynomial = (x: number, coefficients: readonly number[]): number =>
  coefficients.reduce((sum, c) => sum * x + c, 0);

// Hart (1968), algorithm 5666, as given by West, "Better approximations to cumulative normal functions",
// Wilmott Magazine (2005) 70-76.
const TOP = [
  3.52624965998911e-2, 0.700383064443688, 6.37396220353165, 33.912866078383, 112.079291497871,
  221.213596169931, 220.206867912376,
];
const BOTTOM = [
  8.83883476483184e-2, 1.75566716318264, 16.064177579207, 86.7807322029461, 296.564248779674,
  637.333633378831, 793.826512519948, 440.413735824752,
];

function lowerTail(distance: number): number {
  if (distance > 37) return 0;
  const decay = Math.exp(-0.5 * distance * distance);
  if (distance < 7.07106781186547) return (decay * polynomial(distance, TOP)) / polynomial(distance, BOTTOM);
  const fraction = distance + 1 / (distance + 2 / (distance + 3 / (distance + 4 / (distance + 0.65))));
  return decay / (fraction * SQRT_TWO_PI);
}

/**
 * Chance that a standard normal falls below `x`, with double precision in both tails' absolute error.
 * @param x - any number, infinities included
 */
export function normalCdf(x: number): number {
  return x > 0 ? 1 - lowerTail(x) : lowerTail(-x);
}

/** @returns chance that a standard normal falls between two bounds, accurate far out on either side */
export function normalBetween(low: number, high: number): number {
  // Differences are taken in the lower tail, where they do not cancel.
  return low > 0 ? normalCdf(-low) - normalCdf(-high) : normalCdf(high) - normalCdf(low);
}

/** Normal distribution: density, distribution function, quantile. */

const SQRT_TWO_PI = 2.5066282746310002;

/** @returns density of the standard normal */
export function normalDensity(x: number): number {
  return Math.exp(-0.5 * x * x) / SQRT_TWO_PI;
}

// Hart (1968), algorithm 5666, as given by West, "Better approximations to cumulative normal functions",
// Wilmott Magazine (2005) 70-76.
// Written out: it is asked a hundred thousand times for one card.
const top = (x: number): number =>
  (((((3.52624965998911e-2 * x + 0.700383064443688) * x + 6.37396220353165) * x + 33.912866078383) * x +
    112.079291497871) *
    x +
    221.213596169931) *
    x +
  220.206867912376;
const bottom = (x: number): number =>
  ((((((8.83883476483184e-2 * x + 1.75566716318264) * x + 16.064177579207) * x + 86.7807322029461) * x +
    296.564248779674) *
    x +
    637.333633378831) *
    x +
    793.826512519948) *
    x +
  440.413735824752;

function lowerTail(distance: number): number {
  if (distance > 37) return 0;
  const decay = Math.exp(-0.5 * distance * distance);
  if (distance < 7.07106781186547) return (decay * top(distance)) / bottom(distance);
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

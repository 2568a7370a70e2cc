/**
 * Student's t, for means of few runs. Distribution by the incomplete beta function's continued fraction
 * (Abramowitz & Stegun 26.5.8, 26.7.1), quantile by bisection.
 */
import { requirePositive, requireRange } from "../units/guard.ts";

/** ln Γ, Lanczos with seven terms: 1e-10 for arguments above 0.5. */
function lnGamma(x: number): number {
  const terms = [
    76.1800917294714, -86.5053203294167, 24.0140982408309, -1.231739572450155, 0.001208650973866179,
    -0.0000053952393849,
  ];
  const sum = terms.reduce((total, term, i) => total + term / (x + i + 1), 1.00000000019001);
  return (x + 0.5) * Math.log(x + 5.5) - (x + 5.5) + Math.log((2.506628274631 * sum) / x);
}

const MOST_TERMS = 300;
const TINY = 1e-300;

function betaFraction(a: number, b: number, x: number): number {
  let c = 1;
  let d = 1 / Math.max(TINY, 1 - ((a + b) * x) / (a + 1));
  let h = d;
  for (let m = 1; m <= MOST_TERMS; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / (1 + even * d || TINY);
    c = 1 + even / c || TINY;
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / (1 + odd * d || TINY);
    c = 1 + odd / c || TINY;
    const step = d * c;
    h *= step;
    if (Math.abs(step - 1) < 1e-14) break;
  }
  return h;
}

/** Regularised incomplete beta function, 0 <= x <= 1. */
function incompleteBeta(a: number, b: number, x: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  return x < (a + 1) / (a + b + 2)
    ? (front * betaFraction(a, b, x)) / a
    : 1 - (front * betaFraction(b, a, 1 - x)) / b;
}

/** @param freedom - degrees of freedom, above 0, need not be whole; @returns chance of a value below t */
export function studentCdf(t: number, freedom: number): number {
  requirePositive("degrees of freedom", freedom);
  const tail = incompleteBeta(freedom / 2, 0.5, freedom / (freedom + t * t)) / 2;
  return t > 0 ? 1 - tail : tail;
}

/** @param chance - 0.5..0.9999; @returns the t below which this share lies */
export function studentQuantile(chance: number, freedom: number): number {
  requireRange("chance", chance, 0.5, 0.9999);
  let [low, high] = [0, 1];
  while (studentCdf(high, freedom) < chance) high *= 2;
  for (let i = 0; i < 80; i += 1) {
    const middle = (low + high) / 2;
    if (studentCdf(middle, freedom) < chance) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Small square matrices, flat and row-major. */
import type { Vector } from "../numbers/linear.ts";

/** @returns a · b */
export function product(a: Vector, b: Vector, size: number): Float64Array {
  const result = new Float64Array(size * size);
  for (let i = 0; i < size; i += 1)
    for (let k = 0; k < size; k += 1) {
      const x = a[i * size + k] ?? 0;
      if (x === 0) continue;
      for (let j = 0; j < size; j += 1)
        result[i * size + j] = (result[i * size + j] ?? 0) + x * (b[k * size + j] ?? 0);
    }
  return result;
}

export function transposed(a: Vector, size: number): Float64Array {
  const result = new Float64Array(size * size);
  for (let i = 0; i < size; i += 1)
    for (let j = 0; j < size; j += 1) result[j * size + i] = a[i * size + j] ?? 0;
  return result;
}

/** @returns a · b · aᵀ */
export const sandwich = (a: Vector, b: Vector, size: number): Float64Array =>
  product(product(a, b, size), transposed(a, size), size);

/** @returns 1 - u · vᵀ */
export function oneLessOuter(u: Vector, v: Vector): Float64Array {
  const size = u.length;
  const result = new Float64Array(size * size);
  for (let i = 0; i < size; i += 1)
    for (let j = 0; j < size; j += 1) result[i * size + j] = (i === j ? 1 : 0) - (u[i] ?? 0) * (v[j] ?? 0);
  return result;
}

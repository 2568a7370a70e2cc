/** Dense linear algebra on flat row-major matrices: products, Cholesky, solves. */

export type Vector = Readonly<ArrayLike<number>>;

export function dot(a: Vector, b: Vector): number {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += (a[i] ?? 0) * (b[i] ?? 0);
  return sum;
}

/** @returns matrix · v */
export function times(matrix: Vector, v: Vector): Float64Array {
  const size = v.length;
  const product = new Float64Array(size);
  for (let i = 0; i < size; i += 1) {
    let sum = 0;
    const row = i * size;
    for (let j = 0; j < size; j += 1) sum += (matrix[row + j] ?? 0) * (v[j] ?? 0);
    product[i] = sum;
  }
  return product;
}

/** @returns vᵀ · matrix · v */
export function quadratic(matrix: Vector, v: Vector): number {
  const size = v.length;
  let sum = 0;
  for (let i = 0; i < size; i += 1) {
    const vi = v[i] ?? 0;
    if (vi === 0) continue;
    const row = i * size;
    let inner = 0;
    for (let j = 0; j < size; j += 1) inner += (matrix[row + j] ?? 0) * (v[j] ?? 0);
    sum += vi * inner;
  }
  return sum;
}

/** @returns a + factor · b */
export function addScaled(a: Vector, b: Vector, factor: number): Float64Array {
  const result = new Float64Array(a.length);
  for (let i = 0; i < a.length; i += 1) result[i] = (a[i] ?? 0) + factor * (b[i] ?? 0);
  return result;
}

/** @returns matrix - factor · v vᵀ */
export function lessOuter(matrix: Vector, v: Vector, factor: number): Float64Array {
  const size = v.length;
  const result = new Float64Array(size * size);
  for (let i = 0; i < size; i += 1) {
    const scaled = factor * (v[i] ?? 0);
    const row = i * size;
    for (let j = 0; j < size; j += 1) result[row + j] = (matrix[row + j] ?? 0) - scaled * (v[j] ?? 0);
  }
  return result;
}

/**
 * Lower triangle L with L Lᵀ = matrix.
 * @throws {RangeError} if the matrix is not positive definite
 */
export function cholesky(matrix: Vector): Float64Array {
  const size = Math.round(Math.sqrt(matrix.length));
  const lower = new Float64Array(size * size);
  for (let i = 0; i < size; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      let rest = matrix[i * size + j] ?? 0;
      for (let k = 0; k < j; k += 1) rest -= (lower[i * size + k] ?? 0) * (lower[j * size + k] ?? 0);
      if (i === j && !(rest > 0))
        throw new RangeError(`covariance must be positive definite, got pivot ${rest}`);
      lower[i * size + j] = i === j ? Math.sqrt(rest) : rest / (lower[j * size + j] ?? NaN);
    }
  }
  return lower;
}

/** The little linear algebra that eight numbers need. */

export type Vector = readonly number[];
/** square, row by row */
export type Matrix = readonly Vector[];

export const dot = (a: Vector, b: Vector): number => a.reduce((sum, x, i) => sum + x * (b[i] ?? 0), 0);
export const times = (matrix: Matrix, v: Vector): number[] => matrix.map((row) => dot(row, v));
export const addScaled = (a: Vector, b: Vector, factor: number): number[] =>
  a.map((x, i) => x + factor * (b[i] ?? 0));
export const diagonal = (values: Vector): number[][] =>
  values.map((value, i) => values.map((_, j) => (i === j ? value : 0)));

/** @returns `matrix - factor v vᵀ` */
export function lessOuter(matrix: Matrix, v: Vector, factor: number): number[][] {
  return matrix.map((row, i) => addScaled(row, v, -factor * (v[i] ?? 0)));
}

/**
 * Lower triangle L with L Lᵀ = matrix.
 * @throws {RangeError} if the matrix is not positive definite
 */
export function cholesky(matrix: Matrix): number[][] {
  const lower = matrix.map((row) => row.map(() => 0));
  matrix.forEach((row, i) => {
    const li = lower[i] ?? [];
    for (let j = 0; j <= i; j += 1) {
      const lj = lower[j] ?? [];
      const rest = (row[j] ?? 0) - dot(li.slice(0, j), lj.slice(0, j));
      if (i === j && !(rest > 0))
        throw new RangeError(`covariance must be positive definite, got pivot ${rest}`);
      li[j] = i === j ? Math.sqrt(rest) : rest / (lj[j] ?? NaN);
    }
  });
  return lower;
}

/** The fast Fourier transform, radix 2, and the spectra of two real signals at once. */

const tables = new Map<number, { readonly cos: Float64Array; readonly sin: Float64Array }>();

/** The turning factors of a size, worked out once. */
function tableOf(size: number) {
  const known = tables.get(size);
  if (known) return known;
  const angle = (i: number) => (2 * Math.PI * i) / size;
  const made = {
    cos: Float64Array.from({ length: size / 2 }, (_, i) => Math.cos(angle(i))),
    sin: Float64Array.from({ length: size / 2 }, (_, i) => -Math.sin(angle(i))),
  };
  tables.set(size, made);
  return made;
}

/** Brings the samples into the order in which halves of halves are put together. */
function reorder(re: Float64Array, im: Float64Array): void {
  const n = re.length;
  for (let i = 1, j = 0; i < n; i += 1) {
    let bit = n >> 1;
    for (; j & bit; bit >>= 1) j ^= bit;
    j ^= bit;
    if (i >= j) continue;
    const real = re[i] ?? 0;
    const imaginary = im[i] ?? 0;
    re[i] = re[j] ?? 0;
    im[i] = im[j] ?? 0;
    re[j] = real;
    im[j] = imaginary;
  }
}

/**
 * In place.
 * @param re - a power of two long
 * @param im - as long
 * @throws {RangeError} for another length
 */
export function fft(re: Float64Array, im: Float64Array): void {
  const n = re.length;
  if (!(n > 1 && (n & (n - 1)) === 0 && im.length === n))
    throw new RangeError(`length of a transform must be a power of two, got ${n} and ${im.length}`);
  const { cos, sin } = tableOf(n);
  reorder(re, im);
  for (let size = 2; size <= n; size *= 2) {
    const half = size / 2;
    const step = n / size;
    for (let from = 0; from < n; from += size)
      for (let k = 0, t = 0; k < half; k += 1, t += step) {
        // Plain: this is gone through some fifty thousand times.
        const i = from + k;
        const j = i + half;
        const c = cos[t] ?? 0;
        const s = sin[t] ?? 0;
        const x = re[j] ?? 0;
        const y = im[j] ?? 0;
        const real = x * c - y * s;
        const imaginary = x * s + y * c;
        re[j] = (re[i] ?? 0) - real;
        im[j] = (im[i] ?? 0) - imaginary;
        re[i] = (re[i] ?? 0) + real;
        im[i] = (im[i] ?? 0) + imaginary;
      }
  }
}

/**
 * One transform for two real signals: the one as its real, the other as its imaginary part.
 * @param size - a power of two, not below the signals' length; the rest is silence
 * @returns the power of each from 0 to half the rate, size / 2 + 1 long
 */
export function twoSpectra(
  a: Float64Array,
  b: Float64Array,
  size: number,
): readonly [Float64Array, Float64Array] {
  const re = new Float64Array(size);
  const im = new Float64Array(size);
  re.set(a);
  im.set(b);
  fft(re, im);
  const ofA = new Float64Array(size / 2 + 1);
  const ofB = new Float64Array(size / 2 + 1);
  for (let k = 0; k <= size / 2; k += 1) {
    const mirror = (size - k) & (size - 1);
    const p = re[k] ?? 0;
    const q = re[mirror] ?? 0;
    const r = im[k] ?? 0;
    const s = im[mirror] ?? 0;
    ofA[k] = ((p + q) ** 2 + (r - s) ** 2) / 4;
    ofB[k] = ((r + s) ** 2 + (q - p) ** 2) / 4;
  }
  return [ofA, ofB];
}

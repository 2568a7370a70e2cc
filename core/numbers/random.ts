/** Seeded pseudo-random generator. */

export interface Random {
  /** 0 <= u < 1 */
  readonly uniform: () => number;
  /** standard normal */
  readonly normal: () => number;
}

/**
 * Mulberry32 with Box-Muller normals: small, fast, the same on every machine. Not for secrets.
 * @param seed - any whole number
 */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  const uniform = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  return { uniform, normal };
}

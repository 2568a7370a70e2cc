/** Formats settings as in a workshop: turns with fractions, grooves as ordinals. */

const EIGHTHS = ["", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞"] as const;

/**
 * @param turns - screw turns out from seated
 * @returns turns with a fraction when they lie on an eighth, decimals otherwise: `1 ¾`, `0`, `1.6`
 */
export function formatTurns(turns: number): string {
  const eighths = Math.round(turns * 8);
  if (Math.abs(turns * 8 - eighths) > 1e-6) return String(Number(turns.toFixed(2)));
  const whole = Math.trunc(eighths / 8);
  const fraction = EIGHTHS[Math.abs(eighths % 8)] ?? "";
  if (fraction === "") return String(whole);
  return whole === 0 ? `${turns < 0 ? "-" : ""}${fraction}` : `${whole} ${fraction}`;
}

/** @returns `1st`, `2nd`, `3rd`, `4th`, `11th` … */
export function formatOrdinal(n: number): string {
  const teen = n % 100 >= 11 && n % 100 <= 13;
  const suffix = teen ? "th" : (["th", "st", "nd", "rd"][n % 10] ?? "th");
  return `${n}${suffix}`;
}

/** @returns a log ratio in whole-number-friendly per cent, e.g. 0.0412 -> `4.1` */
export function formatPercent(logRatio: number, decimals = 1): string {
  return (100 * logRatio).toFixed(decimals).replace(/^-(0(\.0+)?)$/, "$1");
}

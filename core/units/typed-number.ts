/**
 * Parses typed numbers: `1.75`, `1,75`, `1 3/4`, `1¾`, `-5`; and as a script does: `1.01325e5`. A single comma or
 * point is the decimal mark; both together are refused, because "1,013.25" means different numbers to different
 * people.
 */
export type TypedNumber =
  { ok: true; value: number } | { ok: false; reason: "empty" | "notANumber" | "twoMarks" };

const VULGAR: Readonly<Record<string, string>> = {
  "¼": "1/4",
  "½": "1/2",
  "¾": "3/4",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
  "⅓": "1/3",
  "⅔": "2/3",
};
const DECIMAL = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d{1,3})?$/i;
const FRACTION = /^([+-])?(?:(\d+) )?(\d+)\/(\d+)$/;

/**
 * @returns the number that was typed, or the reason why it is none; never NaN or infinite
 * @example readTypedNumber("1 3/4") // => { ok: true, value: 1.75 }
 */
export function readTypedNumber(text: string): TypedNumber {
  const plain = text
    .replace(/[¼½¾⅛⅜⅝⅞⅓⅔]/g, (mark) => ` ${VULGAR[mark] ?? ""}`)
    .replace(/[−–]/g, "-")
    .replace(/\s+/g, " ")
    .trim()
    .replace(/^([+-]) /, "$1");
  if (plain === "") return { ok: false, reason: "empty" };
  const fraction = FRACTION.exec(plain);
  if (fraction) {
    const [, sign, whole, top, bottom] = fraction;
    if (Number(bottom) === 0) return { ok: false, reason: "notANumber" };
    const size = Number(whole ?? 0) + Number(top) / Number(bottom);
    return { ok: true, value: sign === "-" ? -size : size };
  }
  if (plain.includes(",") && plain.includes(".")) return { ok: false, reason: "twoMarks" };
  if (!DECIMAL.test(plain)) return { ok: false, reason: "notANumber" };
  const value = Number(plain.replace(",", "."));
  return Number.isFinite(value) ? { ok: true, value } : { ok: false, reason: "notANumber" };
}

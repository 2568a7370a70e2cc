/** Parses lists of sizes: `150, 152, 155`, or ranges `150 to 175 by 2.5`. */
import { readTypedNumber } from "./typed-number.ts";

export type SizeList = { ok: true; sizes: number[] } | { ok: false; wrong: string };

const RANGE = /^(\S+)\s*(?:to|-|–)\s*(\S+)\s+by\s+(\S+)$/i;
const MOST_SIZES = 100;

function readRange(part: string): number[] | undefined {
  const [, from, to, by] = (RANGE.exec(part) ?? []).map((text) => {
    const read = readTypedNumber(text);
    return read.ok ? read.value : Number.NaN;
  });
  if (from === undefined || to === undefined || by === undefined) return undefined;
  const count = Math.floor((to - from) / by + 1e-9) + 1;
  if (!(by > 0 && count >= 1 && count <= MOST_SIZES)) return undefined;
  return Array.from({ length: count }, (_, i) => Math.round((from + i * by) * 1000) / 1000);
}

/**
 * @returns the sizes in order, each once, or the piece that cannot be read; an empty text is an empty list
 * @example readSizeList("150 to 160 by 2.5; 165") // => { ok: true, sizes: [150, 152.5, 155, 157.5, 160, 165] }
 */
export function readSizeList(text: string): SizeList {
  // A comma with a space (or a semicolon) parts two sizes; a comma within digits is a decimal mark.
  const parts = text
    .split(/;|\n|,(?=\s)|,$/)
    .map((part) => part.trim())
    .filter((part) => part !== "");
  const sizes: number[] = [];
  for (const part of parts) {
    const single = readTypedNumber(part);
    const found = single.ok ? [single.value] : readRange(part);
    if (!found) return { ok: false, wrong: part };
    sizes.push(...found);
  }
  return { ok: true, sizes: [...new Set(sizes)].sort((a, b) => a - b) };
}

/** @returns the list as text, read back unchanged by {@link readSizeList} */
export const writeSizeList = (sizes: readonly number[]): string => sizes.join(", ");

/** A text file of unknown encoding, read in portions of whole lines. */

export type Encoding = "utf-8" | "utf-16le" | "utf-16be" | "windows-1252";

const HEAD_BYTES = 64 * 1024;

/** Share of NULs at even and at odd places: UTF-16 of western text has one every second byte. */
function nulShares(bytes: Uint8Array): { even: number; odd: number } {
  const counts = [0, 0];
  bytes.forEach((byte, i) => {
    if (byte === 0) counts[i % 2] = (counts[i % 2] ?? 0) + 1;
  });
  const half = Math.max(1, bytes.length / 2);
  return { even: (counts[0] ?? 0) / half, odd: (counts[1] ?? 0) / half };
}

/** @returns nothing for what is no text: a picture, a spreadsheet's own format */
export function encodingOf(head: Uint8Array): Encoding | undefined {
  const [a, b] = head;
  if (a === 0xff && b === 0xfe) return "utf-16le";
  if (a === 0xfe && b === 0xff) return "utf-16be";
  const { even, odd } = nulShares(head);
  if (odd > 0.4 && even < 0.05) return "utf-16le";
  if (even > 0.4 && odd < 0.05) return "utf-16be";
  if (even > 0 || odd > 0) return undefined;
  try {
    // The head may end within a sign.
    new TextDecoder("utf-8", { fatal: true }).decode(head, { stream: true });
    return "utf-8";
  } catch {
    // Control signs do not occur in text of any western code page.
    const controls = head.filter((byte) => byte < 9 || (byte > 13 && byte < 32)).length;
    return controls / head.length > 0.01 ? undefined : "windows-1252";
  }
}

const headOf = async (file: Blob): Promise<Uint8Array> =>
  new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer());

/** What is read, and what is said of a file that it cannot be. */
export interface TextWanted {
  readonly largestBytes: number;
  readonly tooLarge: string;
  /** what to choose instead */
  readonly instead: string;
}

/** @returns how to decode a file, or in words why it is no such text */
export async function openText(
  file: Blob,
  { largestBytes, tooLarge, instead }: TextWanted,
): Promise<{ encoding: Encoding } | { problem: string }> {
  if (file.size === 0) return { problem: `This file is empty. ${instead}` };
  if (file.size > largestBytes) return { problem: tooLarge };
  const encoding = encodingOf(await headOf(file));
  return encoding ? { encoding } : { problem: `This is no text file. ${instead}` };
}

export interface Portion {
  /** whole lines, without the last line's end */
  readonly text: string;
  readonly bytesRead: number;
}

/** @returns portions of whole lines, in order; the last may lack its end */
export async function* portions(
  file: Blob,
  encoding: Encoding,
  portionBytes = 2 ** 19,
): AsyncGenerator<Portion, void> {
  const decoder = new TextDecoder(encoding);
  let rest = "";
  for (let from = 0; from < file.size; from += portionBytes) {
    const to = Math.min(file.size, from + portionBytes);
    const bytes = await file.slice(from, to).arrayBuffer();
    // Old writers end a line with a carriage return alone.
    const decoded = rest + decoder.decode(bytes, { stream: to < file.size });
    const text = decoded.includes("\r") ? decoded.replace(/\r\n?/g, "\n") : decoded;
    const end = to < file.size ? text.lastIndexOf("\n") : text.length;
    rest = end === -1 ? text : text.slice(end + 1);
    if (end > 0) yield { text: text.slice(0, end), bytesRead: to };
  }
}

/** Expected failures of the browser's storage, as values with words a tuner can act on. */

import { BookClosed } from "./database.ts";

export interface StoreProblem {
  readonly reason:
    | "closed"
    | "full"
    | "unavailable"
    | "brokenOff"
    | "unreadable"
    | "newer"
    | "conflict"
    | "missing"
    | "refused";
  readonly message: string;
}

export type Stored<T> = { ok: true; value: T } | { ok: false; problem: StoreProblem };

export const stored = <T>(value: T): Stored<T> => ({ ok: true, value });
export const failed = (
  reason: StoreProblem["reason"],
  message: string,
): { ok: false; problem: StoreProblem } => ({
  ok: false,
  problem: { reason, message },
});

/** What is wrong with a file that was to come in, in words: nothing of the storage's. */
export class BadFile extends Error {
  override readonly name = "BadFile";
}

const textOf = (error: unknown, key: "name" | "message"): string =>
  typeof error === "object" && error !== null && key in error
    ? String((error as Record<string, unknown>)[key])
    : "";

/** A browser that keeps nothing: no driver of localForage's, or a window that may not write. */
const KEEPS_NOTHING = /mutation operation was attempted|No available storage method|insecure|SecurityError/i;

/** The rigs are there, but out of reach: nothing may look like an empty book, and nothing be typed for nothing. */
function closedWords({ hangs, message }: BookClosed): string {
  const why = hangs
    ? "The browser has not opened it for five seconds: another tab or window may hold it."
    : `The browser says: ${message.replace(/[.\s]+$/, "")}.`;
  return `Tamis cannot open its book in this browser. Your rigs are still in it, but none can be shown or changed now. Close other tabs of Tamis and other programs, free some space on the device, then try again. If that does not help, close the browser and open it again. ${why}`;
}

/** @returns what a thrown storage error means */
export function storageFailure(error: unknown): { ok: false; problem: StoreProblem } {
  if (error instanceof BadFile) return failed("refused", error.message);
  const [name, message] = [textOf(error, "name"), textOf(error, "message")];
  if (error instanceof BookClosed && !KEEPS_NOTHING.test(message))
    return failed("closed", closedWords(error));
  if (name === "QuotaExceededError" || /quota/i.test(message))
    return failed(
      "full",
      "Not saved: this device has no room left for Tamis. Export the log on the Data page, free some space, then save again. What you typed is still here.",
    );
  if (KEEPS_NOTHING.test(`${name} ${message}`))
    return failed(
      "unavailable",
      "Not saved: this browser does not let Tamis keep data, as in a private window. Open Tamis in a normal window, then save again. What you typed is still here.",
    );
  const said = [name, message].filter((part) => part !== "").join(": ");
  return failed(
    "brokenOff",
    `Not saved: the browser broke off the writing (${said === "" ? "it does not say why" : said}). The log is as it was, and what you typed is still here: save again. If that fails too, close other tabs of Tamis and free some space.`,
  );
}

/** @returns the value, or what the thrown error means */
export async function guarded<T>(work: () => Promise<Stored<T>>): Promise<Stored<T>> {
  try {
    return await work();
  } catch (error) {
    return storageFailure(error);
  }
}

/** Expected failures of the browser's storage, as values with words a tuner can act on. */

export interface StoreProblem {
  readonly reason: "full" | "unavailable" | "unreadable" | "conflict" | "missing";
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

const nameOf = (error: unknown): string =>
  typeof error === "object" && error !== null && "name" in error ? String(error.name) : "";

/** @returns what a thrown storage error means */
export function storageFailure(error: unknown): { ok: false; problem: StoreProblem } {
  if (nameOf(error) === "QuotaExceededError")
    return failed(
      "full",
      "Not saved: this device has no room left for Tamis. Export the log on the Data page, free some space, then save again. What you typed is still here.",
    );
  return failed(
    "unavailable",
    "Not saved: this browser does not let Tamis keep data, as in a private window. Open Tamis in a normal window, then save again. What you typed is still here.",
  );
}

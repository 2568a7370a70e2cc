/** Messages for a chunk that failed to load, as each browser words that error. */
const NOT_FETCHED = /dynamically imported module|module script failed/i;

/** @returns words of whatever was thrown at a screen */
export function errorWords(error: unknown): string {
  if (typeof error === "string") return error;
  if (!(error instanceof Error)) return "Something went wrong that Tamis has no words for.";
  return NOT_FETCHED.test(error.message)
    ? "A part of this screen did not load: the connection broke off. Your log is as it was. Try again with a signal."
    : error.message;
}

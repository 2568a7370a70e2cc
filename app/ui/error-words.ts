/** As each kind of browser says it when a file of the app does not come. */
const NOT_FETCHED = /dynamically imported module|module script failed/i;

/** @returns words of whatever was thrown at a screen */
export function errorWords(error: unknown): string {
  if (typeof error === "string") return error;
  if (!(error instanceof Error)) return "Something went wrong that Tamis has no words for.";
  return NOT_FETCHED.test(error.message)
    ? "A part of this screen did not come: the connection broke off. Your log is as it was. Try again with a signal."
    : error.message;
}

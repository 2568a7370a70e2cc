/** @returns words of whatever was thrown at a screen */
export function errorWords(error: unknown): string {
  if (typeof error === "string") return error;
  return error instanceof Error ? error.message : "Something went wrong that Tamis has no words for.";
}

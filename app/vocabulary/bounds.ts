import type * as z from "zod/mini";

/** Said of what was typed where a number belongs. */
export const noNumber = (text: string): string =>
  text.trim() === "" ? "Type a number here." : `“${text}” is not a number.`;

/** A record's bounds in the words of a form. */
export const boundWords: z.core.$ZodErrorMap = (issue) => {
  const signs = issue.code !== "invalid_type" && "origin" in issue && issue.origin === "string";
  if (issue.code === "too_small")
    return signs ? "Type something here." : `Must be at least ${issue.minimum}.`;
  if (issue.code === "too_big") return `Must be at most ${issue.maximum}${signs ? " signs" : ""}.`;
  if (issue.code === "invalid_type") {
    if (issue.expected === "int") return "Must be a whole number.";
    return issue.expected === "number" ? noNumber("") : "This cannot be read.";
  }
  if (issue.code === "invalid_value" || issue.code === "invalid_union") return "Choose one of those offered.";
  return undefined;
};

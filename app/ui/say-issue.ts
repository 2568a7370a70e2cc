import type * as z from "zod/mini";

/** Says in a transformation what is wrong with what it was given, and in which of its fields. */
export const sayIssue = (
  to: Pick<z.core.ParsePayload, "issues" | "value">,
  message: string,
  path: readonly PropertyKey[] = [],
): void => {
  to.issues.push({ code: "custom", input: to.value, path: [...path], message });
};

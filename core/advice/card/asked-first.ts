import type { Warning } from "./warnings.ts";

/** What is asked before the change is one tap: somebody who was there says so first. */
export const isAskedFirst = ({ code }: Pick<Warning, "code">): boolean =>
  code === "fileLeansTop" || code === "lookSaysLean";

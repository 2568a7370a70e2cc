import type { Advice } from "./advise.ts";
import type { Warning } from "./warnings.ts";

export type AskedFirst = Extract<Warning, { code: "fileLeansTop" | "lookSaysLean" }>;

/** What is no line among the warnings: it is asked, where it is fitted. */
export const isAskedFirst = (warning: Warning): warning is AskedFirst =>
  warning.code === "fileLeansTop" || warning.code === "lookSaysLean";

/** @returns what somebody who was there must say before the plan is one tap; nothing where no plan is to be fitted */
export const askedFirst = ({ next, warnings }: Pick<Advice, "next" | "warnings">): AskedFirst | undefined =>
  next.kind === "fit" ? warnings.find(isAskedFirst) : undefined;

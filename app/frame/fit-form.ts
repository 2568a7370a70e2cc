/** A fit in one tap or with one key: what is sent, and what is said of it. */
import type { Advice } from "#core/advice/card/advise.ts";
import type { Change } from "#core/log/schema.ts";
import type { Tap } from "./run-tap.ts";
import { advisedThen, type Proposed } from "#app/journal/fit-changes.ts";
import { partInSentence, partValue } from "#app/vocabulary/parts.ts";

/** @param advice - what was advised just then; it is kept with the fit */
export const fitForm = (changes: readonly Change[], because: Proposed["because"], advice?: Advice): Tap => ({
  intent: "fit",
  because,
  changes: [...changes],
  ...(advice && { advised: advisedThen(advice) }),
});

export const fittedWords = (changes: readonly Change[]): string =>
  `Logged: ${changes.map(({ part, to }) => `${partInSentence(part)} ${partValue(part, to)}`).join(", ")}.`;

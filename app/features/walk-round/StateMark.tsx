import clsx from "clsx";
import css from "./walk-round.module.css";
import type { CheckState } from "#core/log/walk-round-names.ts";
import { STATE_WORDS } from "#app/vocabulary/walk-round.ts";

const SIGNS: Readonly<Record<CheckState, string>> = { pass: "✓", notes: "✓", stop: "■", skipped: "–" };

/** A state as sign and word: never colour alone. */
export function StateMark({ state }: { state: CheckState }) {
  return (
    <span className={clsx(css["state-mark"], css[state])}>
      <span aria-hidden="true">{SIGNS[state]}</span> {STATE_WORDS[state]}
    </span>
  );
}

import clsx from "clsx";
import { memo } from "react";
import css from "../frame.module.css";
import type { Advice } from "#core/advice/card/advise.ts";
import type { CardRow } from "#core/advice/card/card-rows.ts";
import type { Build } from "#core/log/schema.ts";
import { boxJet } from "#core/rig/box.ts";
import { jetWords } from "#app/vocabulary/jets.ts";
import { Step } from "#app/ui/Step.tsx";
import { rowReason } from "./words.ts";
import { certainty, PART_NAMES } from "#app/vocabulary/parts.ts";

/** A jet that is not stamped as it works: drilled, or numbered in another way. */
const jetNote = (build: Build, { part, to }: CardRow): string => {
  const jet = part === "main" || part === "pilot" ? boxJet(build, part, to) : undefined;
  return jet ? jetWords(jet) : "";
};

interface CardProps {
  readonly advice: Advice;
  /** with the carburettor that the card is for */
  readonly build: Build;
}

/** Before a check, or before the way back, nothing else is jetted: what the card would have is told, not offered. */
function waitsFor({ next }: Advice): string | undefined {
  if (next.kind === "check") return "waits for the check";
  return next.kind === "putBack" && next.mended !== undefined ? "back first" : undefined;
}

function Row({ row, advice, build }: CardProps & { row: CardRow }) {
  const note = jetNote(build, row);
  const moves = row.from !== row.to;
  const waits = moves ? waitsFor(advice) : undefined;
  return (
    <section
      className={clsx(css["card-row"], moves && css[waits === undefined ? "moves" : "waits"])}
      aria-label={PART_NAMES[row.part]}
    >
      <div>
        <span className={css["part"]}>{PART_NAMES[row.part]}</span>
        <Step part={row.part} from={row.from} to={row.to} />
        <span className={css["sure"]}>{waits ?? certainty(row.chance)}</span>
      </div>
      <p>
        {note !== "" && <strong>{note}. </strong>}
        {rowReason(row, advice)}
      </p>
    </section>
  );
}

/** The card: what is fitted and what to fit in this air, how sure, and why. */
export const Card = memo(function Card({ advice, build }: CardProps) {
  return advice.card.rows.map((row) => <Row key={row.part} row={row} advice={advice} build={build} />);
});

import clsx from "clsx";
import css from "../frame.module.css";
import type { Advice } from "#core/advice/advise.ts";
import type { CardRow } from "#core/advice/card-rows.ts";
import { Step } from "#app/ui/Step.tsx";
import { rowReason } from "./words.ts";
import { certainty, PART_NAMES } from "#app/vocabulary/parts.ts";

function Row({ row, advice }: { row: CardRow; advice: Advice }) {
  return (
    <section
      className={clsx(css["card-row"], row.from !== row.to && css["moves"])}
      aria-label={PART_NAMES[row.part]}
    >
      <div>
        <span className={css["part"]}>{PART_NAMES[row.part]}</span>
        <Step part={row.part} from={row.from} to={row.to} />
        <span className={css["sure"]}>{certainty(row.chance)}</span>
      </div>
      <p>{rowReason(row, advice)}</p>
    </section>
  );
}

/** The card: what is fitted and what to fit in this air, how sure, and why. */
export function Card({ advice }: { advice: Advice }) {
  return advice.card.rows.map((row) => <Row key={row.part} row={row} advice={advice} />);
}

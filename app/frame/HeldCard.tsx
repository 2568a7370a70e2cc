import css from "./frame.module.css";
import { memo } from "react";
import { Link } from "react-router";
import { Caution } from "#app/ui/Caution.tsx";
import { CHECK_WORDS } from "#app/vocabulary/walk-round.ts";
import { IKnow } from "./IKnow.tsx";
import type { RigContext } from "./use-rig.ts";
import { placeHref } from "./places.ts";

/** In place of the card while a check of the walk-round says stop. */
export const HeldCard = memo(function HeldCard({ context }: { context: RigContext }) {
  const { held } = context.present;
  return (
    <div className={css["card-foot"]}>
      <Caution grave>The card is held back: the walk-round says stop.</Caution>
      <ul className={css["plain-list"]}>
        {held.map((check) => (
          <li key={check}>
            <Link to={`${placeHref(context.header.id, "walk-round")}/${check}`}>
              {CHECK_WORDS[check].title}
            </Link>
          </li>
        ))}
      </ul>
      <p className="quiet flush">Mend it, then pass the check: the card comes back by itself.</p>
      <IKnow context={context} />
    </div>
  );
});

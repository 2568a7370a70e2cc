import css from "./frame.module.css";
import Button from "@mui/material/Button";
import { lazy, memo, Suspense, useState } from "react";
import { Link } from "react-router";
import { Caution } from "#app/ui/Caution.tsx";
import { CHECK_WORDS } from "#app/vocabulary/walk-round.ts";
import type { RigContext } from "./use-rig.ts";
import { placeHref } from "./places.ts";

/** Loaded on the first tap: most cards are not held back. */
const KnowDialog = lazy(() => import("./KnowDialog.tsx"));

/** In place of the card while a check of the walk-round says stop. */
export const HeldCard = memo(function HeldCard({ context }: { context: RigContext }) {
  const [asking, setAsking] = useState(false);
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
      <Button variant="outlined" color="error" onClick={() => setAsking(true)} className="start">
        I know
      </Button>
      {asking && (
        <Suspense fallback={null}>
          <KnowDialog context={context} onDone={() => setAsking(false)} />
        </Suspense>
      )}
    </div>
  );
});

import Button from "@mui/material/Button";
import { Link } from "react-router";
import { dayOf } from "#core/log/schema.ts";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { isWalkRoundDue, WALK_ROUND_OWED } from "#app/frame/walk-round-due.ts";
import { localInstant } from "#app/journal/clock.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useKeepPreferences } from "./use-keep-preferences.ts";

/** Once a day, above the plan: gone with the first check, or with a tap until tomorrow. */
export function WalkRoundDue() {
  const context = useRig();
  const { header, preferences } = context;
  const { keep, busy, problem } = useKeepPreferences(preferences);
  if (!isWalkRoundDue(context)) return null;
  const putOff = () => {
    const day = dayOf(localInstant());
    // Days gone by are dropped on the way.
    const others = Object.entries(preferences.walkRoundPutOff).filter(([, other]) => other === day);
    keep({ walkRoundPutOff: { ...Object.fromEntries(others), [header.id]: day } });
  };
  return (
    <section className="row apart" aria-label="Walk-round">
      <Caution plain>{WALK_ROUND_OWED}</Caution>
      <Problem message={problem} />
      <div className="row tight">
        <Button component={Link} to={placeHref(header.id, "walk-round")} variant="outlined">
          Walk round it
        </Button>
        <Button disabled={busy} onClick={putOff}>
          Not today
        </Button>
      </div>
    </section>
  );
}

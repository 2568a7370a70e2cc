import Button from "@mui/material/Button";
import { Link, useFetcher } from "react-router";
import { dayOf } from "#core/log/schema.ts";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { isWalkRoundDue, WALK_ROUND_OWED } from "#app/frame/walk-round-due.ts";
import { localInstant } from "#app/journal/clock.ts";
import type { ActionProblem } from "#app/journal/save.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Problem } from "#app/ui/Problem.tsx";

/** Once a day, above the plan: gone with the first check, or with a tap until tomorrow. */
export function WalkRoundDue() {
  const context = useRig();
  const fetcher = useFetcher<ActionProblem>();
  if (!isWalkRoundDue(context)) return null;
  const { header, preferences } = context;
  const putOff = () => {
    const day = dayOf(localInstant());
    // Days gone by are dropped on the way.
    const others = Object.entries(preferences.walkRoundPutOff).filter(([, other]) => other === day);
    const walkRoundPutOff = { ...Object.fromEntries(others), [header.id]: day };
    const sent = JSON.stringify({ ...preferences, walkRoundPutOff, intent: "preferences" });
    void fetcher.submit(sent, { method: "post", action: "/data", encType: "application/json" });
  };
  return (
    <section className="row apart" aria-label="Walk-round">
      <Caution plain>{WALK_ROUND_OWED}</Caution>
      <Problem message={fetcher.data?.message} />
      <div className="row tight">
        <Button component={Link} to={placeHref(header.id, "walk-round")} variant="outlined">
          Walk round it
        </Button>
        <Button disabled={fetcher.state !== "idle"} onClick={putOff}>
          Not today
        </Button>
      </div>
    </section>
  );
}

import { Working } from "#app/ui/Working.tsx";
import { unbroken } from "#app/ui/unbroken.ts";
import { Navigate } from "react-router";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { nextWords } from "#app/vocabulary/next.ts";
import { heldWords } from "#app/vocabulary/walk-round.ts";
import { TodaysWork } from "./TodaysWork.tsx";

export default function TodayRoute() {
  const { advice, present, problem, working, game, header } = useRig();
  // Today says what to do: on a practice rig that is for the learner to find.
  if (game) return <Navigate replace to={placeHref(header.id, "practice")} />;
  if (!advice) return problem === undefined ? <Working words="Working out today’s card…" /> : null;
  const { title, reason } = present.held.length > 0 ? heldWords(present.held) : nextWords(advice);
  return (
    <div className="stack">
      <div aria-live="polite" aria-busy={working}>
        <h1>{title}</h1>
        <p className="lead quiet">{unbroken(reason)}</p>
      </div>
      <TodaysWork advice={advice} />
    </div>
  );
}

import { Working } from "#app/ui/Working.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { nextWords } from "#app/vocabulary/next.ts";
import { heldWords } from "#app/vocabulary/walk-round.ts";
import { TodaysWork } from "./TodaysWork.tsx";

export default function TodayRoute() {
  const { advice, present, problem, working } = useRig();
  if (!advice) return problem === undefined ? <Working words="Working out today’s card…" /> : null;
  const { title, reason } = present.held.length > 0 ? heldWords(present.held) : nextWords(advice);
  return (
    <div className="stack">
      <div aria-live="polite" aria-busy={working}>
        <h1>{title}</h1>
        <p className="lead quiet">{reason}</p>
      </div>
      <TodaysWork advice={advice} />
    </div>
  );
}

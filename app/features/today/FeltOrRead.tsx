/** The seat says one thing and the plug the other: which was it? Nothing is averaged away. */
import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { Contradiction } from "#core/looks/contradictions.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { placeHref } from "#app/frame/places.ts";
import { useLoggedTap } from "#app/frame/use-logged-tap.ts";
import { atZone, capital } from "#app/vocabulary/parts.ts";

interface FeltOrReadProps {
  readonly rigId: string;
  readonly between: Contradiction;
}

export function FeltOrRead({ rigId, between }: FeltOrReadProps) {
  const { zone, felt, tone, plug } = between;
  const { send, busy, answer } = useLoggedTap(rigId, "The other was right after all");
  const other = felt === "rich" ? "lean" : "rich";
  const where = capital(atZone(zone));
  const say = (right: "plug" | "ride", said: string) =>
    send({ intent: "settle", zone, right, ride: between.ride.id, plug: plug.id }, said);
  return (
    <section className="stack tight" aria-label={`Felt or read: ${where.toLowerCase()}`}>
      <Caution>
        {where} it felt {felt}, but the plug of {plug.at.slice(11, 16)} is {tone}: {other}. One of the two is
        wrong. A plug may show the zone before, or an old colour. A {other} engine may feel {felt} when a
        fault makes it misfire.
      </Caution>
      <div className="row">
        <Button
          variant="outlined"
          disabled={busy}
          onClick={() => say("plug", `The plug counts; what was felt there is struck through.`)}
        >
          The plug is right
        </Button>
        <Button
          variant="outlined"
          disabled={busy}
          onClick={() => say("ride", `What was felt counts; the plug is struck through.`)}
        >
          It was {felt}
        </Button>
        <Button component={Link} to={`${placeHref(rigId, "look")}?zone=${zone}`} variant="outlined">
          Look again
        </Button>
      </div>
      <Problem message={answer?.message} />
    </section>
  );
}

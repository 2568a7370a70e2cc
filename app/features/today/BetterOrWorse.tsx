import css from "./today.module.css";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Zone } from "#core/carburettor/zones.ts";
import type { ComparedVerdict } from "#core/log/parts.ts";
import { RULES } from "#core/advice/plan/moves.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { atZone } from "#app/vocabulary/parts.ts";
import type { RigContext } from "#app/frame/use-rig.ts";
import { useLoggedTap } from "#app/frame/use-logged-tap.ts";

/** The zone that a change is felt in: what its part rules. */
function feltIn(context: RigContext): Zone {
  const part = context.present.openChange?.parts[0];
  return part ? RULES[part] : "mid";
}

/** One change, one look: better, the same or worse ends it. Worse offers the way back first. */
export function BetterOrWorse({ context }: { context: RigContext }) {
  const { send, busy, answer } = useLoggedTap(context.header.id, "A tap by mistake");
  const [worse, setWorse] = useState(false);
  if (!context.present.openChange) return null;
  const zone = feltIn(context);
  const say = (verdict: ComparedVerdict, putBack = false) =>
    send({ intent: "compared", verdict, zone, putBack }, `Logged: ${verdict} ${atZone(zone)}.`);
  return (
    <section className={css["better"]} aria-label="Better or worse">
      <span className="label">Since the change, {atZone(zone)} it is</span>
      {worse ? (
        <div className="row">
          <Button variant="contained" disabled={busy} onClick={() => say("worse", true)}>
            Worse: put it back
          </Button>
          <Button variant="outlined" disabled={busy} onClick={() => say("worse")}>
            Worse, but leave it fitted
          </Button>
          <Button onClick={() => setWorse(false)}>Neither</Button>
        </div>
      ) : (
        <div className="row">
          <Button variant="outlined" disabled={busy} onClick={() => say("better")}>
            Better
          </Button>
          <Button variant="outlined" disabled={busy} onClick={() => say("same")}>
            The same
          </Button>
          <Button variant="outlined" disabled={busy} onClick={() => setWorse(true)}>
            Worse
          </Button>
        </div>
      )}
      <Problem message={answer?.message} />
    </section>
  );
}

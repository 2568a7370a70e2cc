/** Back from a ride: how it pulled, a tap a zone. What is tapped is kept at once, as one entry of the whole ride. */
import Button from "@mui/material/Button";
import { useEffect, useRef, useState } from "react";
import { ZONES } from "#core/carburettor/zones.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { useToast } from "#app/ui/Toast.tsx";
import { FeltRows, NOTHING_TOLD, type Told, type ToldRide } from "#app/frame/FeltRows.tsx";
import { WentWrong } from "#app/frame/WentWrong.tsx";
import type { RigContext } from "#app/frame/use-rig.ts";
import type { Answer } from "#app/journal/rig-action.ts";
import { useTap } from "#app/frame/use-tap.ts";
import { zoneInSentence } from "#app/vocabulary/parts.ts";

const isNothing = (told: ToldRide): boolean => ZONES.every((zone) => told[zone] === "unused");

/** A ride of which the log keeps what was tapped last: each save takes the place of the one before. */
function useKeptRide(rigId: string) {
  const { send, busy, answer: data } = useTap(rigId);
  const say = useToast();
  const [told, setTold] = useState(NOTHING_TOLD);
  /** what the log has of it, and in which entry */
  const kept = useRef<{ readonly told: ToldRide; readonly id?: string | undefined }>({ told: NOTHING_TOLD });
  const onTheWay = useRef<ToldRide>(undefined);
  const heard = useRef<Answer>(undefined);
  useEffect(() => {
    const sent = onTheWay.current;
    if (sent) {
      // Its answer, not its rest: a tap may come between what is sent and the fetcher that says so.
      if (busy || heard.current === data) return;
      heard.current = data;
      onTheWay.current = undefined;
      if (data?.message !== undefined) {
        // What could not be kept is not shown as kept; it can be tapped again.
        setTold(kept.current.told);
        return;
      }
      const before = kept.current.told;
      kept.current = { told: sent, id: isNothing(sent) ? undefined : data?.logged?.[0] };
      // Taps that came while one was being saved go together.
      const fresh = ZONES.filter((zone) => sent[zone] !== before[zone] && sent[zone] !== "unused");
      const words = fresh.map((zone) => `${zoneInSentence(zone)} ${sent[zone]}`).join(", ");
      if (fresh.length > 0) say({ words: `Logged: ${words}.` });
    }
    if (ZONES.every((zone) => told[zone] === kept.current.told[zone])) return;
    onTheWay.current = told;
    const { id } = kept.current;
    const felt = Object.fromEntries(
      ZONES.flatMap((zone) => (told[zone] === "unused" ? [] : [[zone, told[zone]]])),
    );
    if (isNothing(told)) send({ intent: "strike", strikes: id ?? "", why: "Not used on this ride" });
    else send({ intent: "ride", felt, ...(id !== undefined && { replaces: id }) });
  }, [told, busy, data, send, say]);
  return {
    told,
    tell: (zone: keyof ToldRide, next: Told) => setTold((before) => ({ ...before, [zone]: next })),
    takeBack: () => setTold(NOTHING_TOLD),
    problem: data?.message,
    busy,
  };
}

/** Offered after every ride; three or four taps with a glove. */
export function RideReport({ context, onDone }: { context: RigContext; onDone: () => void }) {
  const { told, tell, takeBack, problem, busy } = useKeptRide(context.header.id);
  return (
    <section className="stack" aria-label="How did it pull?">
      <h2>How did it pull?</h2>
      <FeltRows told={told} onTold={tell} />
      {problem !== undefined && <Caution grave>{problem}</Caution>}
      <WentWrong rigId={context.header.id} />
      <div className="row">
        <Button variant="contained" disabled={busy} onClick={onDone}>
          Done
        </Button>
        <Button variant="outlined" disabled={isNothing(told)} onClick={takeBack}>
          Undo all of it
        </Button>
        <span className="quiet">
          Each tap is kept at once. What you feel from the seat counts a little; a plug counts more.
        </span>
      </div>
    </section>
  );
}

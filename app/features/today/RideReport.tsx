/** Back from a ride: how it pulled, zone by zone, a tap each. What is tapped is kept at once. */
import Button from "@mui/material/Button";
import { useCallback, useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import type { Felt } from "#core/log/readings/ride-report.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { useToast } from "#app/ui/Toast.tsx";
import { FEELS, rideZone, rideZoneLabel, TOLD_OPTIONS } from "#app/vocabulary/ride.ts";
import type { RigContext } from "#app/frame/use-rig.ts";
import type { ActionProblem } from "#app/journal/save.ts";

type Told = Felt | "unused";
type Answer = ActionProblem & { logged?: readonly string[] };

interface RideRowProps {
  readonly zone: Zone;
  readonly action: string;
  /** the entry that holds it now, if any */
  readonly onKept: (zone: Zone, id: string | undefined, told: Told) => void;
}

/** One zone. Said otherwise, the tap before is struck through in the same save. */
function RideRow({ zone, action, onKept }: RideRowProps) {
  const fetcher = useFetcher<Answer>();
  const [told, setTold] = useState<Told>("unused");
  const kept = useRef<string>(undefined);
  const heard = useRef<Answer>(undefined);
  /** what the log has of it */
  const shown = useRef<Told>("unused");
  const { data } = fetcher;
  useEffect(() => {
    if (data === undefined || heard.current === data) return;
    heard.current = data;
    if (data.message !== undefined) {
      // What could not be kept is not shown as kept; it can be tapped again.
      setTold(shown.current);
      return;
    }
    shown.current = told;
    kept.current = told === "unused" ? undefined : data.logged?.[0];
    onKept(zone, kept.current, told);
  }, [data, told, zone, onKept]);
  const say = (next: Told) => {
    if (fetcher.state !== "idle" || next === told) return;
    setTold(next);
    const before = kept.current;
    if (next !== "unused")
      void fetcher.submit(
        { intent: "ride", zone, felt: next, ...(before !== undefined && { replaces: before }) },
        { method: "post", action },
      );
    else if (before !== undefined)
      void fetcher.submit(
        { intent: "strike", strikes: before, why: "Not used on this ride" },
        { method: "post", action },
      );
  };
  return (
    <div>
      <Choice label={rideZoneLabel(zone)} value={told} options={TOLD_OPTIONS} onChange={say} />
      {data?.message !== undefined && <Caution grave>{data.message}</Caution>}
    </div>
  );
}

function WhatItFeelsLike() {
  return (
    <details className="protocol">
      <summary>What do rich and lean feel like?</summary>
      <dl className="flush">
        {ZONES.map((zone) => (
          <div key={zone}>
            <dt className="label">{rideZone(zone)}</dt>
            <dd className="flush">Rich: {FEELS[zone].rich}.</dd>
            <dd className="flush">Lean: {FEELS[zone].lean}.</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}

/** Offered after every ride; three or four taps with a glove. */
export function RideReport({ context, onDone }: { context: RigContext; onDone: () => void }) {
  const action = `/rigs/${context.header.id}`;
  const say = useToast();
  const undo = useFetcher<ActionProblem>();
  const [kept, setKept] = useState<Readonly<Partial<Record<Zone, string | undefined>>>>({});
  const [round, setRound] = useState(0);
  const ids = Object.values(kept).filter((id) => id !== undefined);
  const onKept = useCallback(
    (zone: Zone, id: string | undefined, told: Told) => {
      setKept((before) => ({ ...before, [zone]: id }));
      if (told !== "unused") say({ words: `Logged: ${rideZone(zone).toLowerCase()} ${told}.` });
    },
    [say],
  );
  const undoAll = () => {
    void undo.submit(
      { intent: "strikeAll", strikes: JSON.stringify(ids), why: "A ride report by mistake" },
      { method: "post", action },
    );
    setKept({});
    setRound(round + 1);
  };
  return (
    <section className="stack" aria-label="How did it pull?">
      <h2>How did it pull?</h2>
      {ZONES.map((zone) => (
        <RideRow key={`${zone} ${round}`} zone={zone} action={action} onKept={onKept} />
      ))}
      <WhatItFeelsLike />
      {undo.data?.message !== undefined && <Caution grave>{undo.data.message}</Caution>}
      <div className="row">
        <Button variant="contained" onClick={onDone}>
          Done
        </Button>
        <Button variant="outlined" disabled={ids.length === 0 || undo.state !== "idle"} onClick={undoAll}>
          Undo all of it
        </Button>
        <span className="quiet">
          Each tap is kept at once. Felt from the seat it counts for little; a plug more.
        </span>
      </div>
    </section>
  );
}

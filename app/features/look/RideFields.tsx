import { useState } from "react";
import { ZONES, type PerZone } from "#core/carburettor/zones.ts";
import type { Felt } from "#core/log/readings/ride-report.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { rideZoneLabel, TOLD_OPTIONS } from "#app/vocabulary/ride.ts";

type Told = Felt | "unused";

/** How it pulled, zone by zone: three or four taps after any ride. */
export function RideFields({ problem }: { problem: string | undefined }) {
  const [told, setTold] = useState<PerZone<Told>>({
    idle: "unused",
    low: "unused",
    mid: "unused",
    top: "unused",
  });
  return (
    <>
      {ZONES.map((zone) => (
        <div key={zone}>
          <input type="hidden" name={`felt.${zone}`} value={told[zone]} />
          <Choice
            label={rideZoneLabel(zone)}
            value={told[zone]}
            options={TOLD_OPTIONS}
            onChange={(value) => setTold({ ...told, [zone]: value })}
          />
        </div>
      ))}
      <p className="quiet flush">
        Rich: it burbles, stutters, smokes or is slow to clear. Lean: it hangs, surges, coughs, pings or feels
        flat and hot. Zones you did not use are left out.
      </p>
      {problem !== undefined && <Caution>{problem}</Caution>}
    </>
  );
}

import { useState } from "react";
import { ZONES, type PerZone } from "#core/carburettor/zones.ts";
import { FELT, type Felt } from "#core/log/readings/ride-report.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { ZONE_NAMES, ZONE_OPENINGS } from "#app/vocabulary/parts.ts";

type Told = Felt | "unused";

const FELT_WORDS: Readonly<Record<Felt, string>> = { rich: "Rich", clean: "Clean", lean: "Lean" };

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
            label={`${zone === "low" ? "Just off idle" : ZONE_NAMES[zone]} (${ZONE_OPENINGS[zone]})`}
            value={told[zone]}
            options={[
              ...FELT.map((value) => ({ value, text: FELT_WORDS[value] })),
              { value: "unused" as const, text: "Not used" },
            ]}
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

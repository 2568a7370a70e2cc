import { useState } from "react";
import { ZONES } from "#core/carburettor/zones.ts";
import { FeltRows, NOTHING_TOLD } from "#app/frame/FeltRows.tsx";
import { Caution } from "#app/ui/Caution.tsx";

/** How it pulled, as part of a form. */
export function RideFields({ problem }: { problem?: string | undefined }) {
  const [told, setTold] = useState(NOTHING_TOLD);
  return (
    <div className="stack">
      {ZONES.map((zone) => (
        <input key={zone} type="hidden" name={`felt.${zone}`} value={told[zone]} />
      ))}
      <FeltRows told={told} onTold={(zone, next) => setTold({ ...told, [zone]: next })} />
      {problem !== undefined && <Caution>{problem}</Caution>}
    </div>
  );
}

import { useState } from "react";
import { fromSI, type UnitOf } from "#core/units/quantity.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { ALLOWED_PA, readAllowed } from "./form.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

interface AllowedSpreadProps {
  readonly unit: UnitOf<"vacuum">;
  readonly allowedPa: number;
  readonly onAllowed: (allowedPa: number) => void;
}

/** How far apart this machine's gauges may stand. What cannot be is said, and the last that could be counts. */
export function AllowedSpread({ unit, allowedPa, onAllowed }: AllowedSpreadProps) {
  const shown = (pa: number) => fixed(fromSI("vacuum", pa, unit), 1);
  const [text, setText] = useState(() => shown(allowedPa));
  const wrong = readAllowed(text, unit) === undefined;
  return (
    <TypedField
      label={`Allowed spread, ${unit}`}
      value={text}
      onChange={(event) => {
        setText(event.target.value);
        const pa = readAllowed(event.target.value, unit);
        if (pa !== undefined) onAllowed(pa);
      }}
      problem={
        wrong
          ? `${shown(ALLOWED_PA.min)} to ${shown(ALLOWED_PA.max)} ${unit}; until then ${shown(allowedPa)} counts.`
          : undefined
      }
      hint="2 cmHg (2.7 kPa) by common practice; the manual comes first. Kept with the rig."
      keys="decimal"
      sx={{ maxWidth: 420 }}
    />
  );
}

import Button from "@mui/material/Button";
import { useWatch } from "react-hook-form";
import { placeKey } from "#core/log/day-schema.ts";
import type { PlaceEntry } from "#core/log/schema.ts";
import { type UnitOf } from "#core/units/quantity.ts";
import { useRig } from "#app/frame/use-rig.ts";
import type { AirFormState } from "./use-air-form.ts";
import { formatNumber } from "#app/vocabulary/numerals.ts";

/** Places that were described: one tap fills in the height and what the barometer shows there. */
export function KnownPlaces({ form }: { form: AirFormState }) {
  const { present } = useRig();
  const [typed, unit] = useWatch({ control: form.control, name: ["place", "elevationUnit"] });
  const others = [...present.ahead.places.values()].filter(({ name }) => placeKey(name) !== placeKey(typed));
  if (others.length === 0) return null;
  const take = ({ name, elevationM, pressure }: PlaceEntry) => {
    const validates = { shouldValidate: form.formState.isSubmitted };
    form.setValue("place", name, validates);
    form.setValue("elevation", formatNumber("length", elevationM, unit as UnitOf<"length">), validates);
    form.setValue("pressureKind", pressure, validates);
  };
  return (
    <div className="row" aria-label="Known places" role="group">
      {others.map((place) => (
        <Button key={place.id} variant="outlined" onClick={() => take(place)}>
          {place.name}
        </Button>
      ))}
    </div>
  );
}

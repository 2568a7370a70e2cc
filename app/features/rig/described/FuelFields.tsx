/** What the tank holds: the fuel, the ethanol in it, the oil mixed into it. */
import { useFormContext, useWatch } from "react-hook-form";
import { FormPick } from "#app/ui/form-fields.tsx";
import { ETHANOL_HINT, FUEL_NAMES, OIL_HINT } from "#app/vocabulary/fuels.ts";
import { Measure } from "./fields.tsx";
import type { BuildTexts } from "./texts.ts";

export function FuelFields() {
  const [fuel, strokes] = useWatch({
    control: useFormContext<BuildTexts>().control,
    name: ["fuel.name", "engine.strokes"],
  });
  return (
    <>
      <FormPick<BuildTexts>
        name="fuel.name"
        label="Fuel"
        options={[...FUEL_NAMES, ["other", "Other, by its data sheet"]]}
      />
      {fuel === "petrol" && (
        <Measure name="fuel.ethanolPercent" label="Ethanol in it" unit="%" hint={ETHANOL_HINT} />
      )}
      {fuel === "other" && (
        <>
          <Measure name="fuel.density15KgM3" label="Density at 15 °C" unit="kg/m³" />
          <Measure name="fuel.expansionPerK" label="Expansion" unit="1/K" />
          <Measure name="fuel.stoichiometric" label="Air-fuel ratio at λ 1" />
        </>
      )}
      {strokes === "2" && <Measure name="fuel.oilRatio" label="Premix, one part oil to" hint={OIL_HINT} />}
    </>
  );
}

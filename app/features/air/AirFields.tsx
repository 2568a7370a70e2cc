import css from "./air.module.css";
import Button from "@mui/material/Button";
import { useWatch } from "react-hook-form";
import type { AirTexts } from "./form.ts";
import { FormField, FormPick } from "#app/ui/form-fields.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { KnownPlaces } from "./KnownPlaces.tsx";
import type { AirFormState as Form } from "./use-air-form.ts";

interface FieldsProps {
  readonly form: Form;
}

const alike = (units: readonly string[]) => units.map((unit) => [unit, unit] as const);

/** Asked where a station pressure looks like one reduced to sea level: the classic mistake. */
function SeaLevelQuestion({ form }: { form: Form }) {
  const set = (values: Partial<Pick<AirTexts, "pressureKind" | "pressureSure">>) => {
    if (values.pressureKind) form.setValue("pressureKind", values.pressureKind);
    if (values.pressureSure) form.setValue("pressureSure", values.pressureSure);
    void form.trigger();
  };
  return (
    <div className="row">
      <Button variant="outlined" onClick={() => set({ pressureKind: "seaLevel" })}>
        It is sea-level pressure: convert
      </Button>
      <Button variant="outlined" onClick={() => set({ pressureSure: "yes" })}>
        It is the station’s
      </Button>
    </div>
  );
}

const HUMIDITY_KINDS = [
  ["relative", "% RH"],
  ["dewPoint", "dew point"],
  ["wetBulb", "wet bulb"],
] as const;

function HumidityField({ form }: FieldsProps) {
  const [kind, unit] = useWatch({ control: form.control, name: ["humidityKind", "temperatureUnit"] });
  const label = kind === "relative" ? "Humidity" : `Humidity, ${unit}`;
  return (
    <div className={css["pair"]}>
      <FormField<AirTexts> name="humidity" label={label} keys="decimal" />
      <FormPick<AirTexts> name="humidityKind" label="As" options={HUMIDITY_KINDS} />
    </div>
  );
}

export function AirFields(props: FieldsProps) {
  const { form } = props;
  const pressureKind = useWatch({ control: form.control, name: "pressureKind" });
  const { errors } = form.formState;
  const pressureProblem = errors.pressure?.message;
  const heightHint =
    pressureKind === "station"
      ? "Catches a sea-level pressure; may stay empty."
      : "Needed for this pressure.";
  return (
    <>
      <div className="two">
        <div className={css["pair"]}>
          <FormField<AirTexts> name="temperature" label="Temperature" keys="decimal" />
          <FormPick<AirTexts> name="temperatureUnit" label="Unit" options={alike(["°C", "°F"])} />
        </div>
        <HumidityField {...props} />
      </div>
      <Choice
        label="Pressure from"
        value={pressureKind}
        options={[
          { value: "station", text: "Barometer here", note: "true pressure" },
          { value: "seaLevel", text: "Weather app", note: "sea level" },
          { value: "standard", text: "Height only", note: "no barometer" },
        ]}
        onChange={(kind) =>
          form.setValue("pressureKind", kind, { shouldValidate: form.formState.isSubmitted })
        }
      />
      <div className="two">
        {pressureKind !== "standard" && (
          <div className={css["pair"]}>
            <FormField<AirTexts> name="pressure" label="Pressure" keys="decimal" />
            <FormPick<AirTexts>
              name="pressureUnit"
              label="Unit"
              options={alike(["hPa", "kPa", "inHg", "mmHg"])}
            />
          </div>
        )}
        <div className={css["pair"]}>
          <FormField<AirTexts>
            name="elevation"
            label="Height above the sea"
            hint={heightHint}
            keys="decimal"
          />
          <FormPick<AirTexts> name="elevationUnit" label="Unit" options={alike(["m", "ft"])} />
        </div>
      </div>
      {pressureProblem?.includes("sea-level pressure") === true && <SeaLevelQuestion form={form} />}
      <FormField<AirTexts> name="place" label="Place" />
      <KnownPlaces form={form} />
    </>
  );
}

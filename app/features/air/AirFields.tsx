import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { Controller, useWatch } from "react-hook-form";
import type { AirTexts } from "./form.ts";
import { Choice } from "#app/ui/Choice.tsx";
import type { AirFormState as Form } from "./use-air-form.ts";

interface FieldsProps {
  readonly form: Form;
  /** what the action refused, by field */
  readonly answer: Readonly<Record<string, string>> | undefined;
}

interface NumberProps extends FieldsProps {
  readonly name: "temperature" | "humidity" | "pressure" | "elevation";
  readonly label: string;
  readonly hint?: string;
}

function NumberField({ form, name, label, hint, answer }: NumberProps) {
  const problem = form.formState.errors[name]?.message ?? answer?.[name];
  return (
    <TextField
      {...form.register(name)}
      label={label}
      fullWidth
      autoComplete="off"
      error={problem !== undefined}
      helperText={problem ?? hint}
      slotProps={{ htmlInput: { inputMode: "decimal" }, inputLabel: { shrink: true } }}
    />
  );
}

interface UnitProps<N extends "temperatureUnit" | "pressureUnit" | "elevationUnit"> {
  readonly form: Form;
  readonly name: N;
  readonly label: string;
  readonly units: readonly string[];
}

function UnitField<N extends "temperatureUnit" | "pressureUnit" | "elevationUnit">({
  form,
  name,
  label,
  units,
}: UnitProps<N>) {
  return (
    <Controller
      control={form.control}
      name={name}
      render={({ field }) => (
        <TextField {...field} select label={label} fullWidth slotProps={{ inputLabel: { shrink: true } }}>
          {units.map((unit) => (
            <MenuItem key={unit} value={unit}>
              {unit}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}

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

function HumidityField(props: FieldsProps) {
  const { form } = props;
  const [kind, unit] = useWatch({ control: form.control, name: ["humidityKind", "temperatureUnit"] });
  const label = kind === "relative" ? "Humidity" : `Humidity, ${unit}`;
  return (
    <div className="pair">
      <NumberField {...props} name="humidity" label={label} />
      <Controller
        control={form.control}
        name="humidityKind"
        render={({ field }) => (
          <TextField {...field} select label="As" fullWidth slotProps={{ inputLabel: { shrink: true } }}>
            {HUMIDITY_KINDS.map(([value, text]) => (
              <MenuItem key={value} value={value}>
                {text}
              </MenuItem>
            ))}
          </TextField>
        )}
      />
    </div>
  );
}

export function AirFields(props: FieldsProps) {
  const { form, answer } = props;
  const pressureKind = useWatch({ control: form.control, name: "pressureKind" });
  const { errors } = form.formState;
  const pressureProblem = errors.pressure?.message ?? answer?.["pressure"];
  const heightHint =
    pressureKind === "station"
      ? "Catches a sea-level pressure; may stay empty."
      : "Needed for this pressure.";
  return (
    <>
      <div className="two">
        <div className="pair">
          <NumberField {...props} name="temperature" label="Temperature" />
          <UnitField form={form} name="temperatureUnit" label="Unit" units={["°C", "°F"]} />
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
          <div className="pair">
            <NumberField {...props} name="pressure" label="Pressure" />
            <UnitField form={form} name="pressureUnit" label="Unit" units={["hPa", "kPa", "inHg", "mmHg"]} />
          </div>
        )}
        <div className="pair">
          <NumberField {...props} name="elevation" label="Height above the sea" hint={heightHint} />
          <UnitField form={form} name="elevationUnit" label="Unit" units={["m", "ft"]} />
        </div>
      </div>
      {pressureProblem?.includes("sea-level pressure") === true && <SeaLevelQuestion form={form} />}
      <TextField
        {...form.register("place")}
        label="Place"
        fullWidth
        error={errors.place !== undefined}
        helperText={errors.place?.message}
        slotProps={{ inputLabel: { shrink: true } }}
      />
    </>
  );
}

/** The heats of the day: typed one by one, or laid out in one go. */
import css from "./day.module.css";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import Close from "@mui/icons-material/Close";
import { useState } from "react";
import { useFieldArray } from "react-hook-form";
import { MOST_HEATS } from "#core/log/schema.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { clockText, heatsEvery, heatsForm, type DayTexts } from "./form.ts";

function LayOut({ onRows }: { onRows: (rows: DayTexts["heats"]) => void }) {
  const [first, setFirst] = useState("10:00");
  const [every, setEvery] = useState("60");
  const [count, setCount] = useState("6");
  const [long, setLong] = useState("15");
  const [step, many] = [readTypedNumber(every), readTypedNumber(count)];
  const clock = clockText(first);
  const sane =
    clock !== undefined &&
    step.ok &&
    step.value >= 1 &&
    many.ok &&
    Number.isInteger(many.value) &&
    many.value >= 1 &&
    many.value <= MOST_HEATS;
  return (
    <div className={css["lay-out"]}>
      <TypedField
        label="First starts"
        value={first}
        onChange={({ target }) => setFirst(target.value)}
        problem={clock === undefined ? "Such as 10:00." : undefined}
      />
      <TypedField
        label="One every"
        unit="min"
        keys="decimal"
        value={every}
        onChange={({ target }) => setEvery(target.value)}
        problem={step.ok && step.value >= 1 ? undefined : "Minutes."}
      />
      <TypedField
        label="How many"
        keys="numeric"
        value={count}
        onChange={({ target }) => setCount(target.value)}
        problem={
          many.ok && many.value >= 1 && many.value <= MOST_HEATS && Number.isInteger(many.value)
            ? undefined
            : `1 to ${MOST_HEATS}.`
        }
      />
      <TypedField
        label="Each takes"
        unit="min"
        keys="decimal"
        value={long}
        onChange={({ target }) => setLong(target.value)}
      />
      <Button
        variant="outlined"
        disabled={!sane}
        className="tall"
        onClick={() => sane && onRows(heatsEvery(first, step.value, many.value, long))}
      >
        Lay out
      </Button>
    </div>
  );
}

export function HeatsForm({ texts, onDone }: { texts: DayTexts; onDone?: (() => void) | undefined }) {
  const { preferences } = useRig();
  const form = useRigForm("heats", heatsForm(preferences.length), texts);
  const { control, formState } = form.methods;
  const { fields, append, remove, replace } = useFieldArray({ control, name: "heats" });
  return (
    <RigFields
      form={form}
      saves={fields.length > 0 && "Save these heats"}
      beside={onDone && <Button onClick={onDone}>Leave it</Button>}
    >
      <div className={css["where"]}>
        <FormField<DayTexts> name="day" label="Day" type="date" />
        <FormField<DayTexts> name="place" label="Place" most={60} />
        <FormField<DayTexts> name="elevation" label="Height" unit={preferences.length} keys="decimal" />
      </div>
      <LayOut onRows={replace} />
      <ol className={css["rows"]} aria-label="Heats as typed">
        {fields.map((field, i) => (
          <li key={field.id}>
            <FormField<DayTexts> name={`heats.${i}.name`} label="Heat" most={40} />
            <FormField<DayTexts> name={`heats.${i}.time`} label="Starts" />
            <FormField<DayTexts> name={`heats.${i}.minutes`} label="Minutes" keys="decimal" />
            <IconButton aria-label={`Leave out row ${i + 1}`} onClick={() => remove(i)}>
              <Close />
            </IconButton>
          </li>
        ))}
      </ol>
      <Button
        className="start"
        disabled={fields.length >= MOST_HEATS}
        onClick={() => append({ name: `Heat ${fields.length + 1}`, time: "", minutes: "15" })}
      >
        One more heat
      </Button>
      <Problem message={formState.errors.heats?.message} />
    </RigFields>
  );
}

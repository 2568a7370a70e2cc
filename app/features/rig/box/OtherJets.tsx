import css from "../rig.module.css";
import Button from "@mui/material/Button";
import { useFieldArray, useWatch } from "react-hook-form";
import { type BoxTexts } from "./form.ts";
import { JETS, NUMBERINGS, RemoveButton } from "./fields.tsx";
import { FormField, FormPick } from "#app/ui/form-fields.tsx";

export function Drilled() {
  const { fields, append, remove } = useFieldArray<BoxTexts, "drilled">({ name: "drilled" });
  return (
    <section className="stack">
      <h2>Drilled by hand</h2>
      <p className="quiet flush">
        The stamp no longer holds: measure the hole with a drill’s shank or a pin gauge. The card uses its
        real size.
      </p>
      {fields.map((field, i) => (
        <div key={field.id} className={css["box-row"]}>
          <FormPick<BoxTexts> name={`drilled.${i}.part`} label="Jet" options={JETS} />
          <FormField<BoxTexts> name={`drilled.${i}.stamped`} label="As stamped" keys="decimal" />
          <FormField<BoxTexts> name={`drilled.${i}.measuredMm`} label="Measured, mm" keys="decimal" />
          <RemoveButton label={`Remove drilled jet ${i + 1}`} onClick={() => remove(i)} />
        </div>
      ))}
      <Button
        variant="outlined"
        className="start"
        onClick={() => append({ part: "main", stamped: "", measuredMm: "" })}
      >
        Add a drilled jet
      </Button>
    </section>
  );
}

export function Family({ index, onRemove }: { index: number; onRemove: () => void }) {
  const by = useWatch<BoxTexts, `families.${number}.numbering.by`>({
    name: `families.${index}.numbering.by`,
  });
  return (
    <div className="stack" style={{ gap: 10 }}>
      <div className={css["box-row"]}>
        <FormField<BoxTexts> name={`families.${index}.name`} label="Family" />
        <FormPick<BoxTexts> name={`families.${index}.part`} label="Jet" options={JETS} />
        <FormPick<BoxTexts> name={`families.${index}.numbering.by`} label="Numbered" options={NUMBERINGS} />
        <RemoveButton label={`Remove family ${index + 1}`} onClick={onRemove} />
      </div>
      {by === "flow" && (
        <div className="two">
          <FormField<BoxTexts>
            name={`families.${index}.numbering.referenceNumber`}
            label="This number"
            keys="decimal"
          />
          <FormField<BoxTexts>
            name={`families.${index}.numbering.referenceDiameterMm`}
            label="flows like a hole of, mm"
            keys="decimal"
          />
        </div>
      )}
      <FormField<BoxTexts> name={`families.${index}.sizes`} label="Sizes" />
    </div>
  );
}

export function Families() {
  const { fields, append, remove } = useFieldArray<BoxTexts, "families">({ name: "families" });
  return (
    <section className="stack">
      <h2>Other families that fit the thread</h2>
      <p className="quiet flush">
        Jets with another numbering. Each is converted into this carburettor’s own numbers, so you never fit a
        flow number as a diameter.
      </p>
      {fields.map((field, i) => (
        <Family key={field.id} index={i} onRemove={() => remove(i)} />
      ))}
      <Button
        variant="outlined"
        className="start"
        onClick={() =>
          append({
            name: "",
            part: "main",
            numbering: { by: "flow", referenceNumber: "100", referenceDiameterMm: "1" },
            sizes: "",
          })
        }
      >
        Add a family
      </Button>
    </section>
  );
}

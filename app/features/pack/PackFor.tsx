/** Which air the van is packed for. */
import css from "./pack.module.css";
import { Choice } from "#app/ui/Choice.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { TypedField, type TypedProps } from "#app/ui/TypedField.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { MONTH_NAMES } from "#app/vocabulary/days.ts";
import type { PackRead, PackTexts } from "./form.ts";

interface PackForProps {
  readonly texts: PackTexts;
  readonly read: PackRead;
  readonly onTexts: (texts: PackTexts) => void;
}

export function PackFor({ texts, read, onTexts }: PackForProps) {
  const { preferences } = useRig();
  const { kind } = texts;
  const field = (name: keyof PackTexts, label: string, more: Partial<TypedProps> = {}) => (
    <TypedField
      label={label}
      value={texts[name]}
      onChange={({ target }) => onTexts({ ...texts, [name]: target.value })}
      problem={read.ok ? undefined : read.fields[name]}
      keys="decimal"
      {...more}
    />
  );
  return (
    <section className="stack no-print" aria-label="Packed for">
      <Choice
        label="Packed for"
        value={kind}
        options={[
          { value: "event", text: "Days to come", note: "by the forecast" },
          { value: "month", text: "A month there", note: "by the season" },
          { value: "range", text: "A range", note: "as typed" },
        ]}
        onChange={(next) => onTexts({ ...texts, kind: next })}
      />
      <div className={css["fields"]}>
        {kind === "event" && (
          <>
            {field("from", "From", { type: "date" })}
            {field("to", "To", { type: "date" })}
            {field("elevation", "Height", { unit: preferences.length })}
          </>
        )}
        {kind === "month" && (
          <>
            {field("place", "Place", { keys: "text", most: 60 })}
            <PickField
              label="Month"
              value={texts.month}
              options={MONTH_NAMES.map((name, i) => [String(i + 1), name] as const)}
              onChange={({ target }) => onTexts({ ...texts, month: target.value })}
            />
            {field("elevation", "Height", { unit: preferences.length })}
          </>
        )}
        {kind === "range" && (
          <>
            {field("low", "Coldest", { unit: preferences.temperature })}
            {field("high", "Warmest", { unit: preferences.temperature })}
            {field("humidity", "Humidity", { unit: "%" })}
            {field("lowest", "Lowest", { unit: preferences.length })}
            {field("highest", "Highest", { unit: preferences.length })}
          </>
        )}
      </div>
    </section>
  );
}

import css from "../rig.module.css";
import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { PARTS } from "#core/log/parts.ts";
import { BaseSheet } from "#core/log/schema.ts";
import { MeasureName } from "#core/log/walk-round-names.ts";
import { baseTexts } from "./form.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { type LimitTexts } from "#app/journal/limits.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { useSeen } from "#app/frame/use-seen.ts";
import { PART_NAMES } from "#app/vocabulary/parts.ts";
import { MEASURE_WORDS } from "#app/vocabulary/measures.ts";
import { useSend, Said } from "./send.tsx";

export interface SheetEditorProps {
  readonly sheet: BaseSheet;
  readonly known: readonly BaseSheet[];
  readonly onFound: (sheet: BaseSheet) => void;
}

export function SheetEditor({ sheet, known, onFound }: SheetEditorProps) {
  const { send, answer, busy } = useSend();
  const seen = useSeen("base", answer);
  const [texts, setTexts] = useState(() => baseTexts(sheet));
  const match = known.find(({ stamp }) => stamp === texts.stamp.trim());
  const isNew = match !== undefined && JSON.stringify(baseTexts(match)) !== JSON.stringify(texts);
  const limit = (measure: MeasureName, name: keyof LimitTexts, label: string) => {
    const now = texts.limits[measure] ?? { min: "", max: "", source: "" };
    return (
      <TypedField
        label={label}
        value={now[name]}
        onChange={(event) =>
          setTexts({
            ...texts,
            limits: { ...texts.limits, [measure]: { ...now, [name]: event.target.value } },
          })
        }
        problem={name === "min" ? answer?.fields?.[measure] : undefined}
        keys={name === "source" ? "text" : "decimal"}
      />
    );
  };
  return (
    <section className="stack">
      <h2>This carburettor</h2>
      <div className="two">
        <Autocomplete
          freeSolo
          options={known.map(({ stamp }) => stamp)}
          inputValue={texts.stamp}
          onInputChange={(_, stamp) => setTexts({ ...texts, stamp })}
          renderInput={(props) => (
            <TextField
              {...props}
              label="Number stamped on it"
              error={answer?.fields?.["stamp"] !== undefined}
              helperText={answer?.fields?.["stamp"]}
            />
          )}
        />
        <TypedField
          label="Where it comes from"
          value={texts.source}
          onChange={(event) => setTexts({ ...texts, source: event.target.value })}
          problem={answer?.fields?.["source"]}
          hint="Such as: manual, page 41."
          most={60}
        />
      </div>
      {match && isNew && (
        <div className="row">
          <Caution plain>A sheet with this number is kept here.</Caution>
          <Button variant="outlined" onClick={() => onFound(match)}>
            Take it
          </Button>
        </div>
      )}
      <h3 className="label">Base setting</h3>
      <div className="grid">
        {PARTS.map((part) => (
          <TypedField
            key={part}
            label={PART_NAMES[part]}
            value={texts.setting[part]}
            onChange={(event) =>
              setTexts({ ...texts, setting: { ...texts.setting, [part]: event.target.value } })
            }
            problem={answer?.fields?.[part]}
          />
        ))}
      </div>
      <h3 className="label">Limits of the walk-round</h3>
      {MeasureName.options.map((measure) => (
        <div key={measure} className={css["limit-line"]}>
          <span>
            {MEASURE_WORDS[measure].label}, {MEASURE_WORDS[measure].unit}
          </span>
          {limit(measure, "min", "From")}
          {limit(measure, "max", "To")}
          {limit(measure, "source", "Source")}
        </div>
      ))}
      <Said answer={answer} />
      <div className="row save">
        <Button variant="contained" disabled={busy} onClick={() => send({ intent: "sheet", ...texts, seen })}>
          Save the sheet
        </Button>
      </div>
    </section>
  );
}

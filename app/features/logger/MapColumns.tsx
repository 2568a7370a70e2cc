import css from "./logger.module.css";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { mappingProblem, ROLE_UNITS, ROLES, type Mapping, type Role } from "#core/logger/mapping.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { AFR_SCALES, ROLE_LABELS } from "./words.ts";
import type { LookedAt } from "#app/workers/logger.ts";

interface MapColumnsProps {
  readonly looked: LookedAt;
  readonly mapping: Mapping;
  /** these heads were mapped before */
  readonly known: boolean;
  readonly onMapping: (mapping: Mapping) => void;
  readonly onRead: () => void;
}

interface ColumnProps {
  readonly looked: LookedAt;
  readonly mapping: Mapping;
  readonly column: number;
  readonly onMapping: (mapping: Mapping) => void;
}

/** Native selects: two dozen of the others would hold the screen. One column of the file: its name, its first figures, what it is and in which unit. */
function Column({ looked, mapping, column, onMapping }: ColumnProps) {
  const name = looked.names[column] ?? "";
  const use = mapping.columns.find((candidate) => candidate.column === column);
  const others = mapping.columns.filter((candidate) => candidate.column !== column);
  const figures = looked.sample.slice(0, 4).map((row) => row[column] ?? "");
  const choose = (role: Role | "") =>
    onMapping({
      ...mapping,
      // A quantity stands in one column: choosing it here frees it elsewhere.
      columns:
        role === ""
          ? others
          : [...others.filter((other) => other.role !== role), { role, column, unit: ROLE_UNITS[role][0] }],
    });
  return (
    <li className={css["column-line"]}>
      <div>
        <strong>{name}</strong>
        <small className="quiet">{figures.join(" · ")}</small>
      </div>
      <TextField
        select
        label="Is"
        value={use?.role ?? ""}
        onChange={({ target }) => choose(target.value as Role | "")}
        slotProps={{
          select: { native: true },
          htmlInput: { "aria-label": `${name} is` },
        }}
      >
        <option value="">not used</option>
        {ROLES.map((role) => (
          <option key={role} value={role}>
            {ROLE_LABELS[role]}
          </option>
        ))}
      </TextField>
      <TextField
        select
        label="Unit"
        value={use?.unit ?? ""}
        disabled={!use || ROLE_UNITS[use.role].length < 2}
        onChange={({ target }) =>
          use && onMapping({ ...mapping, columns: [...others, { ...use, unit: target.value }] })
        }
        slotProps={{
          select: { native: true },
          htmlInput: { "aria-label": `Unit of ${name}` },
        }}
      >
        {(use ? ROLE_UNITS[use.role] : []).map((unit) => (
          <option key={unit} value={unit}>
            {unit}
          </option>
        ))}
      </TextField>
    </li>
  );
}

function RateField({ mapping, onMapping }: Pick<MapColumnsProps, "mapping" | "onMapping">) {
  const [text, setText] = useState(mapping.rateHz === undefined ? "" : String(mapping.rateHz));
  const typed = readTypedNumber(text);
  const wrong = text !== "" && !(typed.ok && typed.value >= 0.1 && typed.value <= 10_000);
  return (
    <TypedField
      label="Rows a second"
      value={text}
      onChange={({ target }) => {
        setText(target.value);
        const read = readTypedNumber(target.value);
        const rest = { ...mapping };
        delete rest.rateHz;
        onMapping(
          read.ok && read.value >= 0.1 && read.value <= 10_000 ? { ...rest, rateHz: read.value } : rest,
        );
      }}
      problem={
        wrong ? (wrong ? "A number such as 20 or 100." : "Where no column holds the time.") : undefined
      }
      keys="decimal"
    />
  );
}

/** What the columns of the file mean. The guess stands; the tuner has the last word. */
export function MapColumns({ looked, mapping, known, onMapping, onRead }: MapColumnsProps) {
  const problem = mappingProblem(mapping);
  const hasTime = mapping.columns.some(({ role }) => role === "time");
  const inAfr = mapping.columns.some(({ unit }) => unit === "AFR");
  return (
    <section className="stack" aria-label="Columns">
      <h2>What the columns are</h2>
      <p className="quiet flush">
        {known
          ? "As you chose for an earlier file with the same column names."
          : "A guess by their names and first figures. Correct what is wrong. Files with the same column names are then read the same way."}
      </p>
      <ul className={css["column-lines"]}>
        {looked.names.map((name, column) => (
          <Column key={`${column} ${name}`} {...{ looked, mapping, column, onMapping }} />
        ))}
      </ul>
      <div className="two-fields">
        <Choice
          label="Decimals are written with a"
          value={mapping.decimal}
          options={[
            { value: ".", text: "point", note: "0.88" },
            { value: ",", text: "comma", note: "0,88" },
          ]}
          onChange={(decimal) => onMapping({ ...mapping, decimal })}
        />
        {!hasTime && <RateField mapping={mapping} onMapping={onMapping} />}
        {inAfr && (
          <PickField
            label="The meter’s AFR is that of"
            value={String(mapping.stoichiometric)}
            onChange={({ target }) => onMapping({ ...mapping, stoichiometric: Number(target.value) })}
            options={afrOptions(mapping.stoichiometric).map(
              ({ stoichiometric, name }) =>
                [String(stoichiometric), `${name} (${stoichiometric} at λ 1)`] as const,
            )}
            hint="Many meters show the petrol scale whatever is burnt."
          />
        )}
      </div>
      {problem !== undefined && <Caution>{problem}</Caution>}
      <Button variant="contained" disabled={problem !== undefined} onClick={onRead} className="start">
        Read the file
      </Button>
    </section>
  );
}

function afrOptions(present: number): readonly { stoichiometric: number; name: string }[] {
  const known = AFR_SCALES.some(({ stoichiometric }) => stoichiometric === present);
  return known ? AFR_SCALES : [...AFR_SCALES, { stoichiometric: present, name: "this rig’s own fuel" }];
}

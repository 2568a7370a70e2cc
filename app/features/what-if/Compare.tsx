/** What is fitted, what is tried now, and what was kept: side by side. */
import Button from "@mui/material/Button";
import { useState } from "react";
import { ZONES } from "#core/carburettor/zones.ts";
import type { ZoneAdvice } from "#core/advice/judge/zone-advice.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { mixtureWords, percentWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { KeptTrial, MOST_KEPT } from "./kept.ts";

export interface Column {
  readonly name: string;
  readonly zones: readonly ZoneAdvice[];
  /** share of rated power that its air leaves */
  readonly powerLeft: number;
  readonly onOpen?: () => void;
  readonly onDrop?: () => void;
}

export function Compare({ columns }: { columns: readonly Column[] }) {
  return (
    <div className="scroll-x">
      <table className="figures">
        <caption className="label">Side by side</caption>
        <thead>
          <tr>
            <th scope="col">Zone</th>
            {columns.map(({ name, onOpen, onDrop }) => (
              <th key={name} scope="col">
                {name}
                {onOpen && onDrop && (
                  <span className="row tight">
                    <Button onClick={onOpen} aria-label={`Open ${name}`}>
                      Open
                    </Button>
                    <Button onClick={onDrop} aria-label={`Drop ${name}`}>
                      Drop
                    </Button>
                  </span>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ZONES.map((zone, i) => (
            <tr key={zone}>
              <th scope="row">{ZONE_NAMES[zone]}</th>
              {columns.map(({ name, zones }) => (
                <td key={name}>
                  {mixtureWords(zones[i]?.mean ?? 0)}
                  <small className="quiet under">right {percentWords(zones[i]?.pRight ?? 0)}</small>
                </td>
              ))}
            </tr>
          ))}
          <tr>
            <th scope="row">Power the air leaves</th>
            {columns.map(({ name, powerLeft }) => (
              <td key={name}>{percentWords(powerLeft)}</td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  );
}

interface KeepProps {
  readonly count: number;
  readonly names: readonly string[];
  readonly onKeep: (name: string) => void;
}

/** A name, and it is kept beside the others; three are enough to choose from. */
export function Keep({ count, names, onKeep }: KeepProps) {
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string>();
  if (count >= MOST_KEPT)
    return <p className="quiet flush">{MOST_KEPT} trials are kept: drop one to keep another.</p>;
  const keep = () => {
    const read = KeptTrial.shape.name.safeParse(name);
    if (!read.success) return setProblem(read.error.issues[0]?.message);
    if (names.includes(read.data)) return setProblem("There is one of that name already.");
    setProblem(undefined);
    setName("");
    return onKeep(read.data);
  };
  return (
    <form
      className="row"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <TypedField
        label="Keep it as"
        value={name}
        onChange={({ target }) => setName(target.value)}
        problem={problem}
        most={40}
      />
      <Button type="submit" variant="outlined">
        Keep this trial
      </Button>
    </form>
  );
}

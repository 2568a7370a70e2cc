import Button from "@mui/material/Button";
import { useState } from "react";
import { correctableChanges, isTank } from "#core/log/corrections.ts";
import type { Build } from "#core/log/schema.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { capital } from "#app/vocabulary/parts.ts";
import { fuelChangeWords } from "#app/vocabulary/fuels.ts";
import { fieldWords } from "#app/vocabulary/fields.ts";

type Meaning = "measured" | "another";

/** Asked a changed field: read again, and all old looks with it, or another part from now on? */
export function WhatChanged({
  before,
  after,
  saving,
  onSave,
  onBack,
}: {
  before: Build;
  after: Build;
  saving: boolean;
  onSave: (corrects: readonly string[]) => void;
  onBack: () => void;
}) {
  const paths = correctableChanges(before, after);
  const [meanings, setMeanings] = useState<Readonly<Record<string, Meaning>>>({});
  // Taken for the wrong one a tank makes the engine lean: nothing is presumed of it.
  const meaningOf = (path: string): Meaning | undefined =>
    meanings[path] ?? (isTank(path) ? undefined : "measured");
  const tank = fuelChangeWords(before.fuel, after.fuel);
  return (
    <section className="stack what-changed" aria-label="What changed">
      <div>
        <h2>Measured better, or another part?</h2>
        <p className="quiet close">
          Measured better: it was always like that. Old looks are worked out again with the new number.
          Another part: it counts from now on, and what was learnt about it is uncertain again.
        </p>
      </div>
      {tank !== undefined && <Caution>{tank}, if it is another tank.</Caution>}
      {paths.map((path) => (
        <Choice
          key={path}
          label={capital(fieldWords(path))}
          value={meaningOf(path)}
          options={[
            {
              value: "measured" as const,
              text: isTank(path) ? "It was always so" : "Measured better",
            },
            {
              value: "another" as const,
              text: isTank(path)
                ? "Another tank from now on"
                : path.startsWith("baseline.")
                  ? "Right at another time"
                  : "Another part",
            },
          ]}
          onChange={(value) => setMeanings({ ...meanings, [path]: value })}
        />
      ))}
      <div className="row">
        <Button
          variant="contained"
          disabled={saving || paths.some((path) => meaningOf(path) === undefined)}
          onClick={() => onSave(paths.filter((path) => meaningOf(path) === "measured"))}
        >
          {saving ? "Saving…" : "Save it so"}
        </Button>
        <Button variant="outlined" onClick={onBack}>
          Back to the fields
        </Button>
      </div>
    </section>
  );
}

import Button from "@mui/material/Button";
import { useState } from "react";
import { useFetcher } from "react-router";
import * as z from "zod/mini";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import type { ActionProblem } from "#app/journal/save.ts";

/** What the rig is called in the paddock: no part of its log. */
export const Face = z.object({
  face: z.object({
    name: z.string().check(z.trim(), z.minLength(1, "Give it a name, such as 250 enduro."), z.maxLength(60)),
    plate: z
      .string()
      .check(z.trim(), z.minLength(1, "Give it a number of one to four signs."), z.maxLength(4)),
  }),
});

export function NamePlate() {
  const { header } = useRig();
  const [name, setName] = useState(header.name);
  const [plate, setPlate] = useState(header.plate);
  const fetcher = useFetcher<ActionProblem>();
  const fields = fetcher.data?.fields;
  const same = name === header.name && plate === header.plate;
  return (
    <section className="stack" aria-label="Name and plate">
      <div className="two">
        <TypedField
          label="Name"
          value={name}
          onChange={({ target }) => setName(target.value)}
          problem={fields?.["name"]}
          most={60}
        />
        <TypedField
          label="Number plate"
          value={plate}
          onChange={({ target }) => setPlate(target.value)}
          problem={fields?.["plate"]}
          hint="Its face in the paddock."
          most={4}
        />
      </div>
      <Problem message={fetcher.data?.message} />
      {!same && (
        <Button
          variant="outlined"
          className="start"
          disabled={fetcher.state !== "idle"}
          onClick={() =>
            void fetcher.submit({ face: { name, plate } }, { method: "post", encType: "application/json" })
          }
        >
          Call it so
        </Button>
      )}
    </section>
  );
}

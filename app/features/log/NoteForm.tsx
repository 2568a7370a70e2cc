/** A line of one's own in the log. */
import Button from "@mui/material/Button";
import { useEffect, useRef } from "react";
import { useFetcher } from "react-router";
import { Problem } from "#app/ui/Problem.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import type { ActionProblem } from "#app/journal/save.ts";

export function NoteForm() {
  const { header } = useRig();
  const fetcher = useFetcher<ActionProblem>();
  const form = useRef<HTMLFormElement>(null);
  const saved = fetcher.state === "idle" && fetcher.data !== undefined && fetcher.data.message === undefined;
  useEffect(() => {
    if (saved) form.current?.reset();
  }, [saved, fetcher.data]);
  return (
    <fetcher.Form method="post" action={`/rigs/${header.id}`} className="stack no-print" ref={form}>
      <input type="hidden" name="intent" value="note" />
      <div className="row" style={{ flexWrap: "nowrap" }}>
        <TypedField name="text" label="Note" fullWidth most={2000} problem={fetcher.data?.fields?.["text"]} />
        <Button type="submit" variant="outlined" disabled={fetcher.state !== "idle"}>
          Add note
        </Button>
      </div>
      <Problem message={fetcher.data?.message} />
    </fetcher.Form>
  );
}

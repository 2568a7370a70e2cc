import Button from "@mui/material/Button";
import { useRef, useState } from "react";
import { useFetcher } from "react-router";
import { type Answer, Said } from "./Said.tsx";

export function Import() {
  const fetcher = useFetcher<Answer>();
  const [name, setName] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  const busy = fetcher.state !== "idle";
  return (
    <section className="stack">
      <h2>Import</h2>
      <p className="quiet flush">
        A file that Tamis exported, here or elsewhere. New entries are added to what is here; nothing is
        overwritten, and a file with anything wrong in it changes nothing.
      </p>
      <fetcher.Form method="post" encType="multipart/form-data" className="row">
        <input type="hidden" name="intent" value="import" />
        <Button variant="outlined" onClick={() => input.current?.click()}>
          {name ?? "Choose a file"}
        </Button>
        <input
          ref={input}
          className="visually-hidden"
          type="file"
          name="file"
          tabIndex={-1}
          accept=".json,application/json"
          aria-label="File to import"
          onChange={(event) => setName(event.target.files?.[0]?.name)}
        />
        <Button type="submit" variant="contained" disabled={busy}>
          {busy ? "Reading…" : "Import"}
        </Button>
      </fetcher.Form>
      <Said answer={fetcher.data} />
    </section>
  );
}

import Button from "@mui/material/Button";
import type { RigEntries } from "#app/store/merge.ts";
import { countWords } from "#app/vocabulary/counts.ts";
import { Said } from "./Said.tsx";
import { useTask } from "./use-task.ts";

/** What an earlier visit kept beside the book, because it could not open it. */
export function Elsewhere({ left }: { left: readonly RigEntries[] }) {
  const { send, busy, answer } = useTask();
  return (
    <section className="stack" id="elsewhere">
      <h2>Kept elsewhere by an earlier visit</h2>
      <p className="quiet flush">
        That visit could not open this book. What you typed then is kept elsewhere in this browser. Nothing is
        lost.
      </p>
      <ul className="flush">
        {left.map(({ header, entries }) => (
          <li key={header.id}>
            {header.name}: {countWords(entries.length, "entry", "entries")}
          </li>
        ))}
      </ul>
      <Button
        variant="contained"
        className="start"
        disabled={busy}
        onClick={() => send({ intent: "bringIn" })}
      >
        {busy ? "Bringing them in…" : "Bring them in"}
      </Button>
      <Said answer={answer} />
    </section>
  );
}

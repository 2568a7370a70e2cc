import Button from "@mui/material/Button";
import { useState } from "react";
import css from "./data.module.css";
import type { SnapshotSeen } from "#app/store/snapshots.ts";
import { ConfirmGone } from "./ConfirmGone.tsx";
import { momentWords } from "#app/vocabulary/days.ts";
import { countWords } from "#app/vocabulary/counts.ts";
import { Said } from "./Said.tsx";
import { useTask } from "./use-task.ts";

/** The book before the last imports: the wrong file is taken back whole. */
export function Snapshots({ snapshots }: { snapshots: readonly SnapshotSeen[] }) {
  const { send, busy, answer } = useTask();
  const [back, setBack] = useState<SnapshotSeen>();
  if (snapshots.length === 0) return null;
  return (
    <section className="stack">
      <h2>As it was before</h2>
      <p className="quiet flush">
        The last three snapshots are kept. Going back keeps today’s book as a snapshot too, so it can be
        undone.
      </p>
      <ul className="plain">
        {snapshots.map((one) => (
          <li key={one.at} className={`row ${css["rig"]}`}>
            <span>
              <strong>{one.why}</strong>{" "}
              <span className="quiet">
                {momentWords(one.at)} · {countWords(one.rigs, "rig")} ·{" "}
                {countWords(one.entries, "entry", "entries")}
              </span>
            </span>
            <span className="row">
              <Button variant="outlined" onClick={() => setBack(one)}>
                Put back
              </Button>
              <Button
                color="error"
                disabled={busy}
                aria-label={`Throw away: ${one.why}`}
                onClick={() => send({ intent: "dropSnapshot", at: one.at })}
              >
                Throw away
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <Said answer={answer} />
      {back && (
        <ConfirmGone
          title="Put the book back as it was?"
          words={`All rigs will be as on ${momentWords(back.at)}. What was logged since goes into a snapshot of its own.`}
          deed="Put it back"
          task={{ intent: "putBack", at: back.at }}
          onDone={() => setBack(undefined)}
        />
      )}
    </section>
  );
}

import Button from "@mui/material/Button";
import { useState } from "react";
import type { Header } from "#core/log/schema.ts";
import { isDemo } from "#app/store/demo-rigs.ts";
import { ConfirmGone } from "./ConfirmGone.tsx";
import { Said } from "./Said.tsx";
import { useTask } from "./use-task.ts";

/** How many rigs the demo has. */
const RIGS = 5;

/** The invented rigs: they can go, and come back as they were. */
export function Demo({ headers }: { headers: readonly Header[] }) {
  const [wiping, setWiping] = useState(false);
  const { send, busy, answer } = useTask();
  const here = headers.filter(({ id }) => isDemo(id)).length;
  return (
    <section className="stack" id="demo">
      <h2>The demo</h2>
      <p className="quiet flush">
        {RIGS} invented rigs to try things on. They have no effect on your own rigs, and wiping them leaves
        yours alone. You can bring them back at any time.
      </p>
      <div className="row">
        {here > 0 && (
          <Button variant="outlined" color="error" onClick={() => setWiping(true)}>
            Wipe the demo
          </Button>
        )}
        {here < RIGS && (
          <Button variant="outlined" disabled={busy} onClick={() => send({ intent: "loadDemo" })}>
            {busy ? "Bringing it back…" : "Bring the demo back"}
          </Button>
        )}
      </div>
      <Said answer={answer} />
      {wiping && (
        <ConfirmGone
          title={here === 1 ? "Wipe the demo’s rig?" : `Wipe the demo’s ${here} rigs?`}
          words="What was logged on them goes too. Your own rigs stay as they are."
          deed="Wipe them"
          task={{ intent: "wipeDemo" }}
          onDone={() => setWiping(false)}
        />
      )}
    </section>
  );
}

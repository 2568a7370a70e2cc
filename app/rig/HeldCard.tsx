import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Link, useFetcher } from "react-router";
import { Caution } from "#app/parts/Caution.tsx";
import { CHECK_WORDS, checkList } from "#app/words/walk-round.ts";
import type { RigContext } from "./context.ts";
import { placeHref } from "./places.ts";
import type { ActionProblem } from "./save.ts";

function IKnow({ context, onDone }: { context: RigContext; onDone: () => void }) {
  const fetcher = useFetcher<ActionProblem>();
  const [reason, setReason] = useState("");
  const save = async () => {
    await fetcher.submit(
      { intent: "override", reason },
      { method: "post", action: `/rigs/${context.header.id}` },
    );
  };
  return (
    <Dialog open onClose={onDone} aria-labelledby="know-title">
      <DialogTitle id="know-title">Jet on a failed walk-round?</DialogTitle>
      <DialogContent className="stack">
        <p style={{ margin: 0 }}>
          {checkList(context.present.held)}: what is read now teaches the sieve a fault, not a jet. Your
          reason goes into the log and is printed on the card.
        </p>
        <TextField
          label="Why all the same"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          error={fetcher.data?.message !== undefined}
          helperText={fetcher.data?.message}
          slotProps={{ inputLabel: { shrink: true } }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onDone}>Mend it first</Button>
        <Button color="error" variant="contained" onClick={() => void save()}>
          I know: show the card
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** In place of the card while a check of the walk-round says stop. */
export function HeldCard({ context }: { context: RigContext }) {
  const [asking, setAsking] = useState(false);
  const { held } = context.present;
  return (
    <div className="card-foot">
      <Caution grave>The card is held back: the walk-round says stop.</Caution>
      <ul className="plain-list">
        {held.map((check) => (
          <li key={check}>
            <Link to={`${placeHref(context.header.id, "walk-round")}/${check}`}>
              {CHECK_WORDS[check].title}
            </Link>
          </li>
        ))}
      </ul>
      <p className="quiet" style={{ margin: 0 }}>
        Mend it, then pass the check: the card comes back by itself.
      </p>
      <Button variant="outlined" color="error" onClick={() => setAsking(true)} sx={{ justifySelf: "start" }}>
        I know
      </Button>
      {asking && <IKnow context={context} onDone={() => setAsking(false)} />}
    </div>
  );
}

import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { TypedField } from "#app/ui/TypedField.tsx";
import { checkList } from "#app/vocabulary/walk-round.ts";
import type { RigContext } from "./use-rig.ts";
import { useTap } from "./use-tap.ts";

/** Asks for the reason before a failed walk-round is jetted on. */
export default function KnowDialog({ context, onDone }: { context: RigContext; onDone: () => void }) {
  const { send, answer } = useTap(context.header.id);
  const [reason, setReason] = useState("");
  return (
    <Dialog open onClose={onDone} aria-labelledby="know-title">
      <DialogTitle id="know-title">Jet on a failed walk-round?</DialogTitle>
      <DialogContent className="stack">
        <p className="flush">
          {checkList(context.present.held)}. What you read now shows the fault, not the jet. Your reason goes
          into the log and is printed on the card.
        </p>
        <TypedField
          label="Why all the same"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          problem={answer?.fields?.["reason"] ?? answer?.message}
          most={200}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onDone}>Mend it first</Button>
        <Button color="error" variant="contained" onClick={() => send({ intent: "override", reason })}>
          I know: show the card
        </Button>
      </DialogActions>
    </Dialog>
  );
}

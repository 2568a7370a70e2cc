import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useEffect } from "react";
import { Said } from "./Said.tsx";
import type { Task } from "./tasks.ts";
import { useTask } from "./use-task.ts";

interface ConfirmGoneProps {
  readonly title: string;
  readonly words: string;
  readonly deed: string;
  readonly task: Task;
  readonly onDone: () => void;
}

/** What cannot be undone is asked once more. */
export function ConfirmGone({ title, words, deed, task, onDone }: ConfirmGoneProps) {
  const { send, busy, answer } = useTask();
  // What could not be deleted is said where it was asked.
  const gone = !busy && answer?.said !== undefined;
  useEffect(() => {
    if (gone) onDone();
  }, [gone, onDone]);
  return (
    <Dialog open onClose={onDone} aria-labelledby="gone-title">
      <DialogTitle id="gone-title">{title}</DialogTitle>
      <DialogContent>
        <p className="flush">{words}</p>
        <Said answer={answer} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onDone}>Keep it</Button>
        <Button color="error" variant="contained" disabled={busy} onClick={() => send(task)}>
          {deed}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useEffect } from "react";
import { useFetcher } from "react-router";
import { type Answer, Said } from "./Said.tsx";

interface ConfirmGoneProps {
  readonly title: string;
  readonly words: string;
  readonly deed: string;
  readonly task: Readonly<Record<string, string>>;
  readonly onDone: () => void;
}

/** What cannot be undone is asked once more. */
export function ConfirmGone({ title, words, deed, task, onDone }: ConfirmGoneProps) {
  const fetcher = useFetcher<Answer>();
  // What could not be deleted is said where it was asked.
  const gone = fetcher.state === "idle" && fetcher.data?.said !== undefined;
  useEffect(() => {
    if (gone) onDone();
  }, [gone, onDone]);
  return (
    <Dialog open onClose={onDone} aria-labelledby="gone-title">
      <DialogTitle id="gone-title">{title}</DialogTitle>
      <DialogContent>
        <p className="flush">{words}</p>
        <Said answer={fetcher.data} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onDone}>Keep it</Button>
        <Button
          color="error"
          variant="contained"
          disabled={fetcher.state !== "idle"}
          onClick={() => void fetcher.submit(task, { method: "post" })}
        >
          {deed}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

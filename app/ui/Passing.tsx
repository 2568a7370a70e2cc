import Close from "@mui/icons-material/Close";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import Snackbar from "@mui/material/Snackbar";

export interface Said {
  readonly words: string;
  readonly grave?: boolean;
  /** until it is answered or closed */
  readonly stays?: boolean;
  /** one tap more */
  readonly action?: { readonly words: string; readonly run: () => void };
}

const SHOWN_MS = 8000;
/** While another one waits. */
const SHORT_MS = 4000;

interface PassingProps {
  readonly said: Said;
  /** so many are said after it */
  readonly waiting: number;
  readonly onClose: () => void;
}

/** What just happened, said in passing. */
export function Passing({ said, waiting, onClose }: PassingProps) {
  const { words, action, grave, stays } = said;
  return (
    <Snackbar
      key={words}
      className="passing-place"
      open
      autoHideDuration={grave || stays ? null : waiting > 0 ? SHORT_MS : SHOWN_MS}
      onClose={(_, reason) => reason === "timeout" && onClose()}
      anchorOrigin={{ vertical: "bottom", horizontal: "center" }}
    >
      <div className={grave ? "passing grave" : "passing"} role={grave ? "alert" : "status"}>
        <span>{words}</span>
        {action && (
          <Button
            color="inherit"
            onClick={() => {
              action.run();
              onClose();
            }}
          >
            {action.words}
          </Button>
        )}
        <IconButton color="inherit" aria-label="Close" onClick={onClose}>
          <Close fontSize="small" />
        </IconButton>
      </div>
    </Snackbar>
  );
}

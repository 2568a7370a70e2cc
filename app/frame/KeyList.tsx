import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";

interface KeyListProps {
  readonly keys: readonly (readonly [key: string, what: string])[];
  readonly onClose: () => void;
}

/** All keys, on `?`. */
export default function KeyList({ keys, onClose }: KeyListProps) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <table>
          <tbody>
            {keys.map(([key, what]) => (
              <tr key={key}>
                <td style={{ paddingRight: 24 }}>
                  <kbd className="key">{key}</kbd>
                </td>
                <td style={{ paddingBlock: 4 }}>{what}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

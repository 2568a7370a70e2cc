/** How far a long piece of work is, and the way to stop it. */
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";

interface ProgressProps {
  readonly label: string;
  /** 0..1 */
  readonly share: number;
  readonly onStop: () => void;
}

export const Progress = ({ label, share, onStop }: ProgressProps) => (
  <div className="row" role="status">
    <LinearProgress
      variant="determinate"
      value={100 * share}
      aria-label={label}
      sx={{ flex: 1, minWidth: 160, height: 10 }}
    />
    <span>{Math.round(100 * share)} %</span>
    <Button variant="outlined" onClick={onStop}>
      Stop
    </Button>
  </div>
);

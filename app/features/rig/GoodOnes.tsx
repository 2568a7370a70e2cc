import Button from "@mui/material/Button";
import { Caution } from "#app/ui/Caution.tsx";

interface Bad {
  readonly line: number;
  readonly text: string;
  readonly problem: string;
}

interface GoodOnesProps {
  /** what one of them is called: `row`, `sheet` */
  readonly what: string;
  readonly good: number;
  readonly bad: readonly Bad[];
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

/** A file of which some cannot be used: all are shown, none is taken unless the tuner says so. */
export function GoodOnes({ what, good, bad, onTake, onLeave }: GoodOnesProps) {
  return (
    <div className="stack">
      <Caution grave>
        {bad.length} of {good + bad.length} {what}s cannot be used. Nothing was imported.
      </Caution>
      <div className="scroll-x">
        <table className="figures" aria-label={`The ${what}s that cannot be used`}>
          <thead>
            <tr>
              <th scope="col">No.</th>
              <th scope="col">As it is</th>
              <th scope="col">What is wrong</th>
            </tr>
          </thead>
          <tbody>
            {bad.map(({ line, text, problem }) => (
              <tr key={line}>
                <td>{line}</td>
                <td>{text}</td>
                <td>{problem}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="row">
        {good > 0 && (
          <Button variant="outlined" onClick={onTake}>
            Take the {good} good ones
          </Button>
        )}
        <Button onClick={onLeave}>Take none</Button>
      </div>
    </div>
  );
}

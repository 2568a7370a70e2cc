import css from "./idle.module.css";
import Button from "@mui/material/Button";
import type { Sample } from "#core/instruments/sample.ts";
import { WINDOW_MS, type Settling } from "#core/instruments/settled.ts";
import { TurnsStepper } from "#app/ui/TurnsStepper.tsx";
import { formatTurns } from "#app/vocabulary/numerals.ts";

const WIDTH = 300;
const HEIGHT = 64;
const SPAN_MS = 15_000;

/** The last fifteen seconds: whether it climbs, hunts or rests. */
function Trace({ samples }: { samples: readonly Sample[] }) {
  const last = samples.at(-1);
  if (!last) return null;
  const values = samples.map(({ value }) => value);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const span = Math.max(high - low, 0.04 * high, 1);
  const middle = (high + low) / 2;
  const at = ({ atMs, value }: Sample): string => {
    const x = WIDTH * (1 - (last.atMs - atMs) / SPAN_MS);
    const y = HEIGHT / 2 - ((value - middle) / span) * (HEIGHT - 8);
    return `${x.toFixed(1)},${y.toFixed(1)}`;
  };
  return (
    <svg
      className={css["trace"]}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label="Speed over the last 15 seconds"
    >
      <polyline points={samples.map(at).join(" ")} />
    </svg>
  );
}

interface TachometerProps {
  readonly samples: readonly Sample[];
  readonly state: Settling;
  readonly sinceMs: number;
  readonly onStop: () => void;
}

/** @returns what the speed is doing, in words */
function stateWords({ settled, restMs }: Settling, samples: readonly Sample[], sinceMs: number): string {
  if ((samples.at(-1)?.value ?? 0) < 250) return "Stalled";
  if (settled) return `Settled for ${Math.round((restMs + WINDOW_MS) / 1000)} s`;
  return `Settling, ${Math.max(0, Math.round(sinceMs / 1000))} s since the last turn`;
}

export function Tachometer({ samples, state, sinceMs, onStop }: TachometerProps) {
  const last = samples.at(-1);
  return (
    <div className={css["tachometer"]}>
      <div>
        <strong className="big-figure">{Math.round(state.settled ? state.mean : (last?.value ?? 0))}</strong>
        <span className="quiet"> rpm</span>
        <div className={state.settled ? css["settled"] : "quiet"}>{stateWords(state, samples, sinceMs)}</div>
      </div>
      <Trace samples={samples} />
      <Button variant="text" onClick={onStop}>
        Disconnect
      </Button>
    </div>
  );
}

interface SimulatedHandsProps {
  readonly idleStopTurns: number;
  readonly onIdleStop: (turns: number) => void;
  readonly onBlip: (open: boolean) => void;
  readonly onRestart: () => void;
}

/** What two hands do to an engine that is not there: idle stop and throttle. */
export function SimulatedHands({ idleStopTurns, onIdleStop, onBlip, onRestart }: SimulatedHandsProps) {
  return (
    <div className="row">
      <TurnsStepper label="Idle stop" value={idleStopTurns} from={-2} to={3} onChange={onIdleStop} />
      <Button
        variant="outlined"
        onPointerDown={() => onBlip(true)}
        onPointerUp={() => onBlip(false)}
        onPointerLeave={() => onBlip(false)}
        onKeyDown={(event) => {
          if (event.key === " " || event.key === "Enter") onBlip(true);
        }}
        onKeyUp={() => onBlip(false)}
      >
        Blip: hold
      </Button>
      <Button variant="text" onClick={onRestart}>
        Start it again
      </Button>
      <span className="visually-hidden">{`Idle stop ${formatTurns(idleStopTurns)} turns in`}</span>
    </div>
  );
}

import clsx from "clsx";
import css from "./idle.module.css";
import { StepButton } from "#app/ui/StepButton.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import Close from "@mui/icons-material/Close";
import { useEffect, useState } from "react";
import type { BestIdle, IdlePoint } from "#core/idle/best-idle.ts";
import type { Settling } from "#core/instruments/settled.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { readPoint } from "./form.ts";
import { formatTurns } from "#app/vocabulary/numerals.ts";

/** How long an idle takes to settle where no instrument watches it. */
const SETTLES_IN_S = 10;

/** Seconds since the screw was last turned. */
function useSecondsSince(atMs: number): number {
  const [now, setNow] = useState(atMs);
  useEffect(() => {
    const timer = setInterval(() => setNow(performance.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  return Math.max(0, Math.floor((now - atMs) / 1000));
}

function SettleClock({ turnedAt }: { turnedAt: number }) {
  const seconds = useSecondsSince(turnedAt);
  const rest = SETTLES_IN_S - seconds;
  return (
    <p className={clsx("flush", rest > 0 ? "quiet" : css["settled"])} role="timer">
      {rest > 0 ? `Let it settle: ${rest} s` : `Turned ${seconds} s ago: read it`}
    </p>
  );
}

interface WalkPanelProps {
  readonly turns: string;
  readonly onTurns: (text: string) => void;
  readonly turnedAt: number;
  /** what an instrument says of the idle; none: it is typed or tapped */
  readonly live: Settling | undefined;
  /** where tapping starts: the idle of the last reading, or of the book */
  readonly usualRpm: number;
  readonly onAdd: (point: IdlePoint) => void;
}

const TAPS = [-50, -10, 10, 50];

/** One reading: where the screw stands, and the idle that it settled at. */
export function WalkPanel({ turns, onTurns, turnedAt, live, usualRpm, onAdd }: WalkPanelProps) {
  const [rpm, setRpm] = useState("");
  const [fields, setFields] = useState<Record<string, string>>({});
  const add = (rpmText: string) => {
    const read = readPoint(turns, rpmText);
    setFields(read.ok ? {} : read.fields);
    if (!read.ok) return;
    setRpm("");
    onAdd(read.point);
  };
  const typed = readTypedNumber(turns);
  const step = (by: number) => {
    if (typed.ok) onTurns(formatTurns(Math.min(20, Math.max(0, typed.value + by))));
  };
  const tap = (by: number) => {
    const now = readTypedNumber(rpm);
    setRpm(String(Math.round(Math.max(0, (now.ok ? now.value : usualRpm) + by))));
  };
  return (
    <form
      className={css["walk-panel"]}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        add(rpm);
      }}
    >
      <div className="stepper">
        <StepButton label="A quarter turn in" up={false} onStep={() => step(-0.25)} />
        <TypedField
          label="Turns out"
          value={turns}
          onChange={(event) => onTurns(event.target.value)}
          problem={fields["turns"]}
        />
        <StepButton label="A quarter turn out" up onStep={() => step(0.25)} />
      </div>
      {live ? (
        <Button
          variant="contained"
          disabled={!live.settled}
          onClick={() => add(String(Math.round(live.mean)))}
          className="tall"
        >
          {live.settled ? `Take ${Math.round(live.mean)} rpm` : "Wait until it settles"}
        </Button>
      ) : (
        <>
          <div className={css["rpm-row"]}>
            <TypedField
              label="Settled at, rpm"
              value={rpm}
              onChange={(event) => setRpm(event.target.value)}
              problem={fields["rpm"]}
              keys="numeric"
            />
            <Button type="submit" variant="contained" className="tall">
              Add
            </Button>
          </div>
          <SettleClock turnedAt={turnedAt} />
          <div className="row" role="group" aria-label="Tap the speed">
            {TAPS.map((by) => (
              <Button key={by} variant="outlined" onClick={() => tap(by)} sx={{ minWidth: 64 }}>
                {by > 0 ? `+${by}` : `−${-by}`}
              </Button>
            ))}
          </div>
        </>
      )}
    </form>
  );
}

interface ReadingListProps {
  readonly points: readonly IdlePoint[];
  readonly fit: BestIdle | undefined;
  readonly onRemove: (index: number) => void;
}

export function ReadingList({ points, fit, onRemove }: ReadingListProps) {
  return (
    <ol className={css["readings"]} aria-label="Readings">
      {points.map((point, i) => (
        <li key={`${i} ${point.turns} ${point.rpm}`}>
          <span>{formatTurns(point.turns)}</span>
          <strong>{point.rpm}</strong>
          {fit?.outliers.includes(i) && <small>does not fit</small>}
          <IconButton
            aria-label={`Remove ${point.rpm} at ${formatTurns(point.turns)}`}
            onClick={() => onRemove(i)}
            sx={{ width: 48, height: 48 }}
          >
            <Close fontSize="small" />
          </IconButton>
        </li>
      ))}
    </ol>
  );
}

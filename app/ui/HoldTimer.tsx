import Button from "@mui/material/Button";
import { useEffect, useState } from "react";

interface HoldTimerProps {
  /** so long it must be held */
  readonly seconds: number;
  readonly start: string;
  /** what the clock says once the time is over */
  readonly done: string;
  /** told when the clock is stopped */
  readonly onHeld?: (seconds: number) => void;
}

const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;

/** A condition held for some time, counted down; stopping it says for how long it was held. */
export function HoldTimer({ seconds, start, done, onHeld }: HoldTimerProps) {
  const [began, setBegan] = useState<number>();
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (began === undefined) return undefined;
    const timer = setInterval(() => setNow(performance.now()), 500);
    return () => clearInterval(timer);
  }, [began]);
  const held = began === undefined ? 0 : Math.max(0, (now - began) / 1000);
  const left = Math.max(0, Math.ceil(seconds - held));
  const toggle = () => {
    const instant = performance.now();
    setNow(instant);
    setBegan(began === undefined ? instant : undefined);
    if (began !== undefined) onHeld?.(Math.round((instant - began) / 1000));
  };
  return (
    <div className="row">
      <Button variant="outlined" onClick={toggle}>
        {began === undefined ? start : "Stop the clock"}
      </Button>
      <strong className="big-figure" role="timer">
        {began !== undefined && left === 0 ? done : clock(left)}
      </strong>
    </div>
  );
}

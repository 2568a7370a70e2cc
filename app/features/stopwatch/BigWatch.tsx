import css from "./stopwatch.module.css";
import Button from "@mui/material/Button";
import { useEffect, useState } from "react";
import { timeWords } from "#app/vocabulary/runs.ts";

interface BigWatchProps {
  /** laps run on: each press ends one and begins the next */
  readonly laps: boolean;
  readonly onTime: (seconds: number) => void;
}

/** Start and stop as large as a glove. */
export function BigWatch({ laps, onTime }: BigWatchProps) {
  const [startedAt, setStartedAt] = useState<number>();
  const [now, setNow] = useState(0);
  const running = startedAt !== undefined;
  useEffect(() => {
    if (!running) return undefined;
    const timer = setInterval(() => setNow(performance.now()), 100);
    return () => clearInterval(timer);
  }, [running]);
  const seconds = running ? Math.max(0, now - startedAt) / 1000 : 0;
  const press = () => {
    const at = performance.now();
    setNow(at);
    if (running) onTime((at - startedAt) / 1000);
    setStartedAt(!running || laps ? at : undefined);
  };
  return (
    <div className={css["watch"]}>
      <strong className="big-figure" role="timer">
        {timeWords(seconds)}
      </strong>
      <button type="button" className={css["watch-button"]} onClick={press}>
        {running ? (laps ? "Lap" : "Stop") : "Start"}
      </button>
      {running && laps && (
        <Button variant="outlined" onClick={() => setStartedAt(undefined)}>
          End
        </Button>
      )}
    </div>
  );
}

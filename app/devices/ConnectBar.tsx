import Button from "@mui/material/Button";
import type { Told } from "#core/instruments/sample.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Simulated } from "#app/ui/Simulated.tsx";
import type { Device } from "./device.ts";
import type { DeviceFeed, FeedState } from "./feed.ts";

/** Connect button of one kind of instrument, with its state. */
export interface Way<T extends Told> {
  readonly text: string;
  readonly device: () => Device<T>;
  /** what it takes that a browser may not have, and whether this one has it */
  readonly takes?: { readonly what: string; readonly there: boolean };
}

interface ConnectBarProps<T extends Told> {
  readonly feed: DeviceFeed<T>;
  readonly state: FeedState<T>;
  /** how the instrument is called in a sentence */
  readonly what: string;
  readonly ways: readonly Way<T>[];
}

/** A simulated instrument says so wherever it shows. */
export function SimulatedMark({ state }: { state: Pick<FeedState<Told>, "about" | "status"> }) {
  return state.about?.simulated === true && state.status !== "off" ? <Simulated /> : null;
}

/** Where figures may come from by themselves; without any, they are typed. */
export function ConnectBar<T extends Told>({ feed, state, what, ways }: ConnectBarProps<T>) {
  const { status, message } = state;
  const connected = status === "live" || status === "connecting";
  const missing = ways.flatMap(({ takes }) => (takes && !takes.there ? [takes.what] : []));
  return (
    <div className="stack tight">
      {status === "lost" && <Caution grave>{message}</Caution>}
      <div className="row">
        {connected ? (
          <>
            <span className="quiet" role="status">
              {status === "connecting" ? `Waiting for the ${what}…` : `${state.about?.name} connected`}
            </span>
            <Button variant="text" onClick={() => void feed.stop()}>
              Disconnect
            </Button>
          </>
        ) : (
          ways
            .filter(({ takes }) => takes?.there !== false)
            .map(({ text, device }) => (
              <Button key={text} variant="outlined" onClick={() => void feed.start(device())}>
                {text}
              </Button>
            ))
        )}
      </div>
      {!connected && missing.length > 0 && (
        <p className="quiet flush">
          This browser reaches no {missing.join(" and no ")}: type the figures, or use one that does.
        </p>
      )}
    </div>
  );
}

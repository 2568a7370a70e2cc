import Button from "@mui/material/Button";
import { Caution } from "#app/ui/Caution.tsx";
import { Simulated } from "#app/ui/Simulated.tsx";
import type { Device } from "./device.ts";
import type { DeviceFeed, FeedState } from "./feed.ts";
import { hasMicrophone } from "./microphone.ts";
import { hasSerial } from "./serial.ts";

interface ConnectBarProps {
  readonly feed: DeviceFeed;
  readonly state: FeedState;
  /** how the instrument is called in a sentence */
  readonly what: string;
  readonly simulated: () => Device;
  readonly serial: () => Device;
  /** where a microphone can do the same */
  readonly microphone?: () => Device;
}

/** A simulated instrument says so wherever it shows. */
export function SimulatedMark({ state }: { state: FeedState }) {
  return state.about?.simulated === true && state.status !== "off" ? <Simulated /> : null;
}

/** Where figures may come from by themselves; without any, they are typed. */
export function ConnectBar({ feed, state, what, simulated, serial, microphone }: ConnectBarProps) {
  const { status, message } = state;
  const connected = status === "live" || status === "connecting";
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
          <>
            {hasSerial() && (
              <Button variant="outlined" onClick={() => void feed.start(serial())}>
                Connect a {what}
              </Button>
            )}
            {microphone && hasMicrophone() && (
              <Button variant="outlined" onClick={() => void feed.start(microphone())}>
                Listen by microphone
              </Button>
            )}
            <Button variant="outlined" onClick={() => void feed.start(simulated())}>
              Simulated {what}
            </Button>
          </>
        )}
      </div>
    </div>
  );
}

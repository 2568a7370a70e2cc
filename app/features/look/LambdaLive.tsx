import Button from "@mui/material/Button";
import { useEffect } from "react";
import type { Zone } from "#core/carburettor/zones.ts";
import { heldSteady, LEAST_HELD_S, type Held } from "#core/instruments/steady.ts";
import { ConnectBar, SimulatedMark } from "#app/devices/ConnectBar.tsx";
import { SERIAL_PORT, SerialDevice } from "#app/devices/serial.ts";
import { LAMBDA_METER, SimulatedLambda } from "#app/devices/simulated-lambda.ts";
import { seedOf } from "#app/devices/simulated-engine.ts";
import { useFeed } from "#app/devices/use-feed.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

export interface HeldLambda extends Held {
  readonly simulated: boolean;
}

interface LambdaLiveProps {
  readonly zone: Zone;
  /** in the meter's own scale */
  readonly show: (lambda: number) => string;
  readonly onHeld: (held: HeldLambda) => void;
}

function heldWords({ seconds, spread }: Held): string {
  if (seconds < LEAST_HELD_S) return `Hold it steady: ${LEAST_HELD_S} s at least.`;
  return `Held for ${fixed(seconds, 0)} s, to ${fixed(100 * spread, 1)} %.`;
}

/** A λ meter on a cord: the strip's mark follows it, and what was held is taken with its spread. */
export function LambdaLive({ zone, show, onHeld }: LambdaLiveProps) {
  const { advice, build, header, present, setLive, game } = useRig();
  const { feed, state } = useFeed();
  const samples = state.status === "off" ? [] : (state.channels.get(1) ?? []);
  const last = samples.at(-1)?.value;
  const held = heldSteady(samples);
  const target = build.targetLambda[zone];
  const live = state.status === "live";
  useEffect(() => {
    setLive(last === undefined || !live ? undefined : { zone, reads: Math.log(last / target) });
  }, [setLive, last, live, zone, target]);
  useEffect(() => () => setLive(undefined), [setLive]);
  const simulated = () => {
    const believed = game?.view.errors[zone] ?? advice?.zones.find((one) => one.zone === zone)?.mean ?? 0;
    return new SimulatedLambda(
      target * Math.exp(believed),
      seedOf(`${header.id} ${zone} ${present.looks.length}`),
    );
  };
  return (
    <section className="stack tight" aria-label="λ meter, live">
      <ConnectBar
        feed={feed}
        state={state}
        what="λ meter"
        ways={[
          {
            text: "Connect a λ meter",
            device: () => new SerialDevice(LAMBDA_METER),
            takes: SERIAL_PORT(),
          },
          { text: "Simulated λ meter", device: simulated },
        ]}
      />
      {last !== undefined && held && (
        <div className="row">
          <span role="status">
            <strong className="big-figure">{show(last)}</strong> <SimulatedMark state={state} />{" "}
            <span className="quiet">{heldWords(held)}</span>
          </span>
          <Button
            variant="outlined"
            disabled={held.seconds < LEAST_HELD_S}
            onClick={() => onHeld({ ...held, simulated: state.about?.simulated === true })}
          >
            Take what was held
          </Button>
        </div>
      )}
    </section>
  );
}

/** The tachometer of the bench: a real one, or the stand-in with its screw, its idle stop and a hand at the throttle. */
import { useEffect, useRef, useState } from "react";
import type { Build, Setting } from "#core/log/schema.ts";
import type { HumidAir } from "#core/air/humid-air.ts";
import { settling } from "#core/instruments/settled.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import type { Heard, Listening } from "#core/instruments/engine-sound/hear.ts";
import { MICROPHONE, MicrophoneTachometer } from "#app/devices/microphone.ts";
import { SimulatedTachometer } from "#app/devices/simulated.ts";
import { practiceIdle, seedOf, simulatedEngine } from "#app/devices/simulated-engine.ts";
import { useFeed } from "#app/devices/use-feed.ts";
import type { RigContext } from "#app/frame/use-rig.ts";

interface Bench {
  readonly context: RigContext;
  /** as the carburettor on the bench sees it */
  readonly build: Build;
  readonly fitted: Setting;
  readonly air: HumidAir;
  /** where the screw stands, as typed */
  readonly turns: string;
  readonly turnedAt: number;
  /** so many readings were taken: a stand-in begun anew is another run */
  readonly taken: number;
}

/** All cylinders are heard together, from well below idle to what the engine stands. */
export function listeningTo({ engine, firing }: Build): Listening {
  const { strokes, cylinders, idleRpm, peakRpm, revLimitRpm } = engine;
  return {
    firing: { strokes, cylinders, even: firing !== "uneven" },
    leastRpm: Math.max(200, 0.5 * idleRpm),
    usualRpm: idleRpm,
    mostRpm: Math.max(revLimitRpm ?? 0, 1.15 * peakRpm),
  };
}

/** How far a hand opens the throttle for a blip. */
const BLIP = 0.6;
const SCREW_MOST = 10;

export function useTachometer({ context, build, fitted, air, turns, turnedAt, taken }: Bench) {
  const { feed, state } = useFeed();
  const device = useRef<SimulatedTachometer>(undefined);
  const [idleStopTurns, setIdleStop] = useState(0);
  const [blipping, setBlipping] = useState(false);
  useEffect(() => {
    const screw = readTypedNumber(turns);
    if (device.current && screw.ok && screw.value >= 0 && screw.value <= SCREW_MOST)
      device.current.controls = { screwTurns: screw.value, idleStopTurns, throttle: blipping ? BLIP : 0 };
  }, [turns, idleStopTurns, blipping, state.status]);
  const microphone = useRef<MicrophoneTachometer>(undefined);
  const [heard, setHeard] = useState<Heard>();
  const samples = state.channels.get(1) ?? [];
  const simulatedDevice = () => {
    const { header, advice, game } = context;
    const believed = advice?.zones.find(({ zone }) => zone === "idle");
    const engine = game
      ? practiceIdle(build, game.view.idleOver)
      : simulatedEngine(header.id, build, fitted, air, believed);
    device.current = new SimulatedTachometer(
      engine,
      { screwTurns: fitted.screwTurns, idleStopTurns, throttle: 0 },
      seedOf(`${header.id} ${taken}`),
    );
    return device.current;
  };
  const microphoneDevice = () => {
    setHeard(undefined);
    microphone.current = new MicrophoneTachometer(listeningTo(build), setHeard);
    return microphone.current;
  };
  const listening =
    state.about?.name === MICROPHONE && (state.status === "live" || state.status === "connecting");
  return {
    microphoneDevice,
    /** set while the microphone is the tachometer */
    hearing: listening ? { heard, onSettle: (rpm: number) => microphone.current?.settle(rpm) } : undefined,
    feed,
    state,
    samples,
    live: state.status === "live" ? settling(samples, turnedAt) : undefined,
    simulated: state.about?.simulated === true && state.status === "live",
    simulatedDevice,
    idleStopTurns,
    setIdleStop,
    setBlipping,
    restart: () => device.current?.restart(),
    /** mixture error at idle of the engine that is simulated */
    mixtureError: () => device.current?.mixtureError ?? 0,
  };
}

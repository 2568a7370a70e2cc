/** The simulated engine heard and seen: its exhaust note through the audio graph, and the same as a picture. */
import css from "./idle.module.css";
import Button from "@mui/material/Button";
import { useEffect, useMemo, useRef, useState } from "react";
import { idleNote, NOTE_HZ, NOTE_RPM, type Idling } from "#core/simulator/idle-note.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { Problem } from "#app/ui/Problem.tsx";

const LOUD = 0.25;
/** The note is made anew when the mixture has moved by so much. */
const STEP = 0.02;
const WIDTH = 300;
const HEIGHT = 64;
/** So much of the note is drawn, at the speed that it is made at. */
const DRAWN_S = 0.6;

interface Player {
  readonly context: AudioContext;
  source: AudioBufferSourceNode | undefined;
  readonly gain: GainNode;
}

function play(player: Player, note: Float32Array<ArrayBuffer>, rpm: number): void {
  player.source?.stop();
  const buffer = player.context.createBuffer(1, note.length, NOTE_HZ);
  buffer.copyToChannel(note, 0);
  const source = player.context.createBufferSource();
  source.buffer = buffer;
  source.loop = true;
  source.playbackRate.value = rpm / NOTE_RPM;
  source.connect(player.gain);
  source.start();
  player.source = source;
}

interface EngineSoundProps {
  readonly engine: Idling;
  readonly rpm: number;
  /** mixture error at idle with the screw where it stands, log, + lean */
  readonly error: number;
}

export function EngineSound({ engine, rpm, error }: EngineSoundProps) {
  const player = useRef<Player>(undefined);
  const [on, setOn] = useState(false);
  const [problem, setProblem] = useState<string>();
  const { strokes, cylinders } = engine;
  const step = Math.round(error / STEP);
  const note = useMemo(
    () => idleNote({ strokes, cylinders }, STEP * step, seededRandom(1 + Math.abs(step))),
    [strokes, cylinders, step],
  );
  const heardAt = useRef(rpm);
  useEffect(() => {
    heardAt.current = rpm;
    const { source, context } = player.current ?? {};
    if (source && context)
      source.playbackRate.setTargetAtTime(Math.max(0.05, rpm / NOTE_RPM), context.currentTime, 0.1);
  }, [rpm]);
  useEffect(() => {
    if (on && player.current) play(player.current, note, heardAt.current);
  }, [on, note]);
  const stop = () => {
    const { context } = player.current ?? {};
    player.current = undefined;
    setOn(false);
    void context?.close();
  };
  // Who leaves the bench leaves the engine.
  useEffect(
    () => () => {
      void player.current?.context.close();
      player.current = undefined;
    },
    [],
  );
  const start = async () => {
    setProblem(undefined);
    try {
      const context = new AudioContext();
      const gain = context.createGain();
      gain.gain.value = LOUD;
      gain.connect(context.destination);
      player.current = { context, gain, source: undefined };
      await context.resume();
      if (context.state !== "running") throw new Error("not running");
      setOn(true);
    } catch {
      stop();
      setProblem("This browser plays no sound now. The picture shows the same.");
    }
  };
  return (
    <section className="stack tight" aria-label="The exhaust">
      <div className="row">
        <Beats note={note} rpm={rpm} />
        <Button variant="outlined" onClick={on ? stop : () => void start()}>
          {on ? "Sound off" : "Hear it"}
        </Button>
        {!on && <span className="quiet">Turn the volume down first.</span>}
      </div>
      <Problem message={problem} />
    </section>
  );
}

/** Each blow of the exhaust as a spike: a beat that is missing can be seen. */
function Beats({ note, rpm }: { note: Float32Array; rpm: number }) {
  const span = Math.round(DRAWN_S * NOTE_HZ * Math.max(0.2, rpm / NOTE_RPM));
  const from = Math.round(0.1 * NOTE_HZ);
  const each = span / WIDTH;
  const points = Array.from({ length: WIDTH }, (_, x) => {
    const piece = note.subarray(from + Math.floor(x * each), from + Math.ceil((x + 1) * each));
    return `${x},${(HEIGHT - 4 - (HEIGHT - 8) * piece.reduce((top, one) => Math.max(top, Math.abs(one)), 0)).toFixed(1)}`;
  });
  return (
    <svg
      className={css["beats"]}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label="The exhaust’s beats: even when it is right, some missing when it is rich"
    >
      <polyline points={points.join(" ")} />
    </svg>
  );
}

import css from "./stopwatch.module.css";
import Button from "@mui/material/Button";
import { useEffect, useRef } from "react";
import type { Fix } from "#core/satellites/fix.ts";
import type { Progress } from "#core/satellites/progress.ts";
import { ConnectBar, SimulatedMark } from "#app/devices/ConnectBar.tsx";
import { hasSatellites, Satellites } from "#app/devices/satellites.ts";
import { SimulatedSatellites, type Ride } from "#app/devices/simulated-satellites.ts";
import { powerShare } from "#core/simulator/power-share.ts";
import { seedOf } from "#app/devices/simulated-engine.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { Caution } from "#app/ui/Caution.tsx";
import type { RunTexts } from "./form.ts";
import { goalOf, type Taken } from "./satellite-form.ts";
import { useSatelliteRun } from "./use-satellite-run.ts";
import { fixed, formatQuantity } from "#app/vocabulary/numerals.ts";

const PHASES: Readonly<Record<Progress["phase"], string>> = {
  waiting: "Waiting for the first fix.",
  standing: "Standing still. Go when the course is clear.",
  rolling: "Moving already: stop for some seconds first.",
  running: "Running.",
  reached: "There. A second more…",
};

const lapWords = (count: number): string =>
  count === 0
    ? "The line is set: the first lap begins over it."
    : `${count === 1 ? "1 lap" : `${count} laps`} saved.`;

/** Coarser than this no run is worth its line. */
const COARSE_M = 15;

interface LiveProps {
  readonly last: Fix;
  readonly words: string;
}

function Live({ last, words }: LiveProps) {
  const { preferences } = useRig();
  return (
    <>
      <p className="flush" role="status">
        <strong className="big-figure">
          {last.speedMs === undefined ? "–" : formatQuantity("speed", last.speedMs, preferences.speed)}
        </strong>{" "}
        <span className="quiet">
          {words} Place to {formatQuantity("length", last.accuracyM, preferences.length)}.
        </span>
      </p>
      {last.accuracyM > COARSE_M && (
        <Caution plain>Too coarse yet: wait under an open sky until it is within some metres.</Caution>
      )}
    </>
  );
}

interface TakenRunProps {
  readonly taken: Taken;
  /** it was from a standstill */
  readonly goal: boolean;
  readonly onSave: () => void;
  readonly onAnew: () => void;
}

function TakenRun({ taken, goal, onSave, onAnew }: TakenRunProps) {
  return (
    <div className="stack tight" role="group" aria-label="By satellites">
      <p className="flush" role="status">
        <strong className="big-figure">{taken.words}</strong>{" "}
        <span className="quiet">from {fixed(taken.rateHz, taken.rateHz < 3 ? 1 : 0)} fixes a second</span>
      </p>
      {goal && (
        <p className="quiet flush">
          A clutch let in softly costs some 0.06 s. Between runs of one machine it cancels.
        </p>
      )}
      {taken.doubts.map((doubt) => (
        <p className="quiet flush" key={doubt}>
          {doubt}
        </p>
      ))}
      <div className="row">
        <Button variant="contained" onClick={onSave}>
          Save this run
        </Button>
        <Button variant="outlined" onClick={onAnew}>
          Once more
        </Button>
      </div>
    </div>
  );
}

interface BySatellitesProps {
  readonly what: RunTexts["what"];
  readonly over: string;
  readonly onTaken: (taken: Taken) => void;
}

/** A run timed by the phone in the pocket: armed standing, timed by itself. */
export function BySatellites({ what, over, onTaken }: BySatellitesProps) {
  const { header, present, preferences, game } = useRig();
  const goal = goalOf(what, over, preferences);
  const run = useSatelliteRun({ what, goal, units: preferences, onLap: onTaken });
  const { feed, state, last, progress, taken, line } = run;
  const needsGoal = (what === "toSpeed" || what === "distance") && goal === undefined;
  const ride: Ride = what === "lap" ? "laps" : "sprints";
  const simulated = () => {
    run.begin();
    return new SimulatedSatellites(
      ride,
      present.air?.elevationM ?? 100,
      seedOf(`${header.id} ${present.runs.length}`),
      game && { powerShare: powerShare(game.view.errors), riderSeed: seedOf(header.id) },
    );
  };
  const real = () => {
    run.begin();
    return new Satellites();
  };
  // What went wrong is said below: that it is nearly there would speak against it.
  const phase = run.problem === undefined ? progress?.phase : undefined;
  const words = phase ? PHASES[phase] : line ? lapWords(run.lapCount) : "";
  const section = useRef<HTMLElement>(null);
  const live = state.status === "live";
  const done = taken !== undefined && goal !== undefined;
  // What is looked for while a machine runs stands in view, without a thumb.
  useEffect(() => {
    if (live) section.current?.scrollIntoView({ block: "start" });
  }, [live, done]);
  return (
    <section ref={section} className={`${css["satellites"]} stack tight`} aria-label="Timed by satellites">
      <h2 className="label flush">
        By satellites <SimulatedMark state={state} />
      </h2>
      {needsGoal ? (
        <p className="quiet flush">Type the speed or distance. Then the phone in your pocket times it.</p>
      ) : (
        <ConnectBar
          feed={feed}
          state={state}
          what="satellites"
          ways={[
            {
              text: "Arm by satellites",
              device: real,
              takes: { what: "satellites", there: hasSatellites() },
            },
            { text: "Simulated satellites", device: simulated },
          ]}
        />
      )}
      {last && live && !done && <Live last={last} words={words} />}
      {live && what === "lap" && (
        <Button variant="outlined" className="start" onClick={run.setLine}>
          {line ? "Set the line here instead" : "Set the line here"}
        </Button>
      )}
      {live && run.otherWay > 0 && (
        <Caution plain>
          You also cross this line another way, as on a figure of eight. Only one way counts as a lap. Set the
          line elsewhere if laps are missed.
        </Caution>
      )}
      {run.problem !== undefined && <Caution grave>{run.problem}</Caution>}
      {taken && (
        <TakenRun
          taken={taken}
          goal={goal !== undefined}
          onSave={() => {
            onTaken(taken);
            run.arm();
          }}
          onAnew={() => run.arm()}
        />
      )}
    </section>
  );
}

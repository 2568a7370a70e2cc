/** The practice engine: ride it, take its plug out, check it, and what it showed. */
import Button from "@mui/material/Button";
import { useState, type ReactNode } from "react";
import { Link } from "react-router";
import { CHECKS, type CheckName } from "#core/log/walk-round-names.ts";
import {
  checkMinutes,
  LOOK_MINUTES,
  MEND_MINUTES,
  POINTS_A_SHOW,
  RIDE_MINUTES,
} from "#core/practice/minutes.ts";
import type { Hold } from "#core/practice/levels.ts";
import { Choice } from "#app/ui/Choice.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import type { OpenGame } from "#app/store/practice-log.ts";
import { HOLD_WORDS } from "#app/vocabulary/practice.ts";
import { CHECK_WORDS } from "#app/vocabulary/walk-round.ts";
import { FAULT_WORDS } from "#app/vocabulary/faults.ts";
import type { RigContext } from "../use-rig.ts";
import { Shown } from "./Shown.tsx";
import { deskHref, useGame } from "./use-game.ts";
import css from "./practice.module.css";

const CUTS = [
  { value: "clean", text: "Clean cut" },
  { value: "rolled", text: "Rolled off" },
] as const;

/** A cut tells nothing of an idle. */
const isCut = (hold: Hold): boolean => hold !== "idle";

type Done = ReturnType<typeof useGame>;

interface RideProps extends Pick<Done, "send" | "busy"> {
  readonly holds: readonly Hold[];
  /** what was held on the ride before */
  readonly last: Hold | undefined;
  readonly ridden: boolean;
}

function Ride({ holds, last, ridden, send, busy }: RideProps) {
  const [hold, setHold] = useState<Hold>(last ?? holds[0] ?? "lap");
  const [cut, setCut] = useState<(typeof CUTS)[number]["value"]>("clean");
  if (holds.length === 0) return <p className="flush">There is no ride before the gate opens.</p>;
  return (
    <div className="stack tight">
      <PickField
        label="Hold"
        value={hold}
        options={holds.map((one) => [one, `${HOLD_WORDS[one]} · ${RIDE_MINUTES[one]} min`] as const)}
        onChange={(event) => setHold(event.target.value as Hold)}
      />
      {isCut(hold) && <Choice label="At the end" value={cut} options={CUTS} onChange={setCut} />}
      <Button variant="contained" disabled={busy} onClick={() => send({ do: "ride", hold, cut })}>
        {ridden ? "Ride again" : "Ride it"}
      </Button>
    </div>
  );
}

function Looks({ cylinders, send, busy }: { cylinders: number } & Pick<Done, "send" | "busy">) {
  const plugs = Array.from({ length: cylinders }, (_, i) => i + 1);
  return (
    <div className="row tight">
      {plugs.map((cylinder) => (
        <Button
          key={cylinder}
          variant="outlined"
          disabled={busy}
          onClick={() => send({ do: "plug", ...(cylinders > 1 && { cylinder }) })}
        >
          {cylinders > 1 ? `Plug ${cylinder} out` : "Plug out"} · {LOOK_MINUTES.plug} min
        </Button>
      ))}
      <Button variant="outlined" disabled={busy} onClick={() => send({ do: "crown" })}>
        Crown · {LOOK_MINUTES.crown} min
      </Button>
      <Button variant="outlined" disabled={busy} onClick={() => send({ do: "header" })}>
        Header · {LOOK_MINUTES.header} min
      </Button>
    </div>
  );
}

function Checks({ found, send, busy }: Pick<OpenGame["view"], "found"> & Pick<Done, "send" | "busy">) {
  const [check, setCheck] = useState<CheckName>("ignition");
  return (
    <details className="protocol" open={found !== undefined}>
      <summary>Check the engine</summary>
      <div className="stack tight">
        <PickField
          label="Check"
          value={check}
          options={CHECKS.map(
            (one) => [one, `${CHECK_WORDS[one].title} · ${checkMinutes(one)} min`] as const,
          )}
          onChange={(event) => setCheck(event.target.value as CheckName)}
        />
        <div className="row tight">
          <Button variant="outlined" disabled={busy} onClick={() => send({ do: "inspect", check })}>
            Check it
          </Button>
          {found && (
            <Button variant="contained" disabled={busy} onClick={() => send({ do: "mend" })}>
              Mend {FAULT_WORDS[found].name} · {MEND_MINUTES} min
            </Button>
          )}
        </div>
      </div>
    </details>
  );
}

function lastHold({ record }: OpenGame): Hold | undefined {
  const rides = record.done.flatMap(({ action }) => (action.do === "ride" ? [action.hold] : []));
  return rides.at(-1);
}

interface EnginePanelProps {
  readonly context: RigContext;
  readonly game: OpenGame;
  /** what stands over it, of the game as it is now */
  readonly head?: (game: OpenGame) => ReactNode;
}

export function EnginePanel({ context, game: loaded, head }: EnginePanelProps) {
  const { header, preferences, build } = context;
  const { game, send, busy, problem } = useGame(header.id, loaded);
  const { view } = game;
  const ridden = view.shown.some(({ kind }) => kind === "ride");
  const newestFirst = [...view.shown].reverse();
  return (
    <>
      {head?.(game)}
      <div className={css["engine"]}>
        <Problem message={problem} />
        <div aria-live="polite" className="stack tight">
          {newestFirst.map((shown) => (
            <Shown key={JSON.stringify(shown)} shown={shown} rigId={header.id} preferences={preferences} />
          ))}
        </div>
        {view.over ? (
          <p className="flush">
            This game is over. <Link to={deskHref(header.id)}>See the debrief</Link>
          </p>
        ) : (
          <>
            {ridden && <Looks cylinders={build.engine.cylinders} send={send} busy={busy} />}
            <Ride holds={view.holds} last={lastHold(game)} ridden={ridden} send={send} busy={busy} />
          </>
        )}
        {!view.over && view.checks && <Checks found={view.found} send={send} busy={busy} />}
        {!view.over && (
          <div className={css["ends"]}>
            <Button variant="outlined" disabled={busy} onClick={() => send({ do: "done" })}>
              Done: show me what was true
            </Button>
            {game.covered && (
              <Button variant="text" disabled={busy} onClick={() => send({ do: "showMe" })}>
                Show me the card · {POINTS_A_SHOW} points
              </Button>
            )}
          </div>
        )}
      </div>
    </>
  );
}

import Button from "@mui/material/Button";
import { Link, data, useFetcher } from "react-router";
import type { Route } from "./+types/paddock";
import { foldPossible } from "#core/rig/check-log.ts";
import { loadDemo } from "#app/store/demo.ts";
import { readPreferences } from "#app/store/preferences.ts";
import { listRigs, readRig, type RigLog } from "#app/store/store.ts";
import { Caution } from "#app/parts/Caution.tsx";
import { PageHead } from "#app/parts/PageHead.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { Step } from "#app/parts/Step.tsx";
import { RigFace } from "#app/rig/RigFace.tsx";
import { refused, type ActionProblem } from "#app/rig/save.ts";
import { useAdvice } from "#app/rig/use-advice.ts";
import { MiniStrip } from "#app/strip/Strip.tsx";
import { heldWords } from "#app/words/walk-round.ts";
import { airWords } from "#app/words/entries.ts";
import { nextWords } from "#app/words/next.ts";
import { PART_NAMES } from "#app/words/parts.ts";
import type { Preferences } from "#app/store/preferences.ts";
import { warmJudge } from "#app/workers/client.ts";

export async function clientLoader() {
  warmJudge();
  const [headers, preferences] = await Promise.all([listRigs(), readPreferences()]);
  if (!headers.ok) return { rigs: [], troubles: [headers.problem.message], preferences };
  const logs = await Promise.all(headers.value.map(({ id }) => readRig(id)));
  return {
    rigs: logs.flatMap((log) => (log.ok ? [log.value] : [])),
    troubles: logs.flatMap((log) => (log.ok ? [] : [log.problem.message])),
    preferences,
  };
}

export async function clientAction() {
  const loaded = await loadDemo();
  return loaded.ok ? data({}, { status: 200 }) : refused({ message: loaded.problem.message }, 507);
}

function RigCard({ log, preferences }: { log: RigLog; preferences: Preferences }) {
  const { header, entries, revision } = log;
  const { advice, problem } = useAdvice(revision, entries, undefined);
  const { air, held } = foldPossible(entries);
  const words = held.length > 0 ? heldWords(held) : advice && nextWords(advice);
  return (
    <Link className="rig-card" to={`/rigs/${header.id}`}>
      <RigFace header={header} line={air ? airWords(air, preferences) : "no air read yet"} />
      <div style={{ gridArea: "next", padding: "12px 16px" }}>
        <h2>
          {words?.title ??
            (problem === undefined ? "Working out today’s card…" : "The advice could not be worked out")}
        </h2>
        <p className="quiet" style={{ margin: "6px 0 0", lineHeight: 1.4 }}>
          {words?.reason ?? problem}
        </p>
      </div>
      <div style={{ gridArea: "strip", padding: "0 16px 10px" }}>
        {advice ? (
          <MiniStrip advice={advice} id={`danger-${header.plate}`} />
        ) : (
          <div style={{ height: 64 }} />
        )}
      </div>
      {held.length === 0 && (
        <div className="fits">
          {advice?.card.rows.map(({ part, from, to }) => (
            <div key={part}>
              <span className="quiet">{PART_NAMES[part]}</span> <Step part={part} from={from} to={to} />
            </div>
          ))}
        </div>
      )}
    </Link>
  );
}

function EmptyPaddock() {
  const fetcher = useFetcher<ActionProblem>();
  return (
    <section className="stack">
      <h1>The paddock is empty</h1>
      <p className="lead quiet">
        A rig is a machine with its carburettor and its log. Bring one in from a file, or load the demo: an
        invented 250 enduro with two days of looks at an invented mountain.
      </p>
      <div className="row">
        <fetcher.Form method="post">
          <Button type="submit" variant="contained" disabled={fetcher.state !== "idle"}>
            {fetcher.state === "idle" ? "Load the demo" : "Loading…"}
          </Button>
        </fetcher.Form>
        <Button component={Link} to="/new" variant="outlined">
          New rig
        </Button>
        <Button component={Link} to="/data" variant="outlined">
          Import a log
        </Button>
      </div>
      <Problem message={fetcher.data?.message} />
    </section>
  );
}

export default function PaddockRoute({ loaderData }: Route.ComponentProps) {
  const { rigs, troubles, preferences } = loaderData;
  return (
    <div className="page">
      <PageHead />
      <main className="stack">
        {troubles.map((message) => (
          <Caution grave key={message}>
            {message}
          </Caution>
        ))}
        {rigs.length > 0 && (
          <div className="row" style={{ justifyContent: "space-between" }}>
            <h1>Paddock</h1>
            <Button component={Link} to="/new" variant="outlined">
              New rig
            </Button>
          </div>
        )}
        {rigs.map((log) => (
          <RigCard key={log.header.id} log={log} preferences={preferences} />
        ))}
        {rigs.length === 0 && troubles.length === 0 && <EmptyPaddock />}
      </main>
    </div>
  );
}

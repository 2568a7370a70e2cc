import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { data, useFetcher } from "react-router";
import type { Route } from "./+types/stopwatch";
import { changedParts } from "#core/log/fold.ts";
import type { ComparedVerdict } from "#core/log/parts.ts";
import type { Setting } from "#core/log/schema.ts";
import { longUnit, newestKind, readRun, RUN_KINDS, RunSent, type RunsOfAKind } from "#app/forms/run-form.ts";
import { Caution } from "#app/parts/Caution.tsx";
import { Choice } from "#app/parts/Choice.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { useRig } from "#app/rig/context.ts";
import { openRig, refused, saveEntry, type ActionProblem } from "#app/rig/save.ts";
import { BigWatch } from "#app/stopwatch/BigWatch.tsx";
import { readPreferences, type Preferences } from "#app/store/preferences.ts";
import { PART_NAMES, partValue } from "#app/words/parts.ts";
import { comparisonWords, RUN_NAMES, runFigure } from "#app/words/runs.ts";

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const parsed = RunSent.safeParse(Object.fromEntries(await request.formData()));
  if (!parsed.success) return refused({ message: "This run cannot be read. Nothing was saved." });
  await openRig(params.rigId);
  const read = readRun(parsed.data, await readPreferences());
  if (!read.ok) return refused({ fields: read.fields });
  const problem = await saveEntry(params.rigId, "run", { run: read.run });
  return problem ? refused(problem, 507) : data({ saved: parsed.data.what });
}

type Kind = (typeof RUN_KINDS)[number];
type Answer = ActionProblem & { saved?: Kind };

const FIGURES: Readonly<Record<Kind, (units: Preferences) => string>> = {
  lap: () => "Time",
  toSpeed: () => "Time",
  distance: () => "Time",
  topSpeed: ({ speed }) => `Top speed, ${speed}`,
  fuel: () => "Litres",
};
const OVERS: Readonly<Partial<Record<Kind, (units: Preferences) => string>>> = {
  toSpeed: ({ speed }) => `To, ${speed}`,
  distance: ({ length }) => `Over, ${length}`,
  fuel: (units) => `Over, ${longUnit(units)}`,
};

/** What sets one setting apart from the first that was run. */
function settingWords(settings: readonly Setting[], reference: readonly Setting[]): string {
  const [one, first] = [settings[0], reference[0]];
  if (!one || !first) return "";
  const parts = changedParts(first, one);
  const named = parts.length > 0 ? parts : (["main", "clip"] as const);
  return named.map((part) => `${PART_NAMES[part].toLowerCase()} ${partValue(part, one[part])}`).join(", ");
}

/** Two settings, and nobody has gone back to the first: what drifts over a session may be all there is. */
function BackToTheFirst({ kind }: { kind: RunsOfAKind }) {
  const [first, second] = kind.groups;
  const [lastOfFirst, began] = [first?.runs.at(-1)?.entry.at, second?.runs[0]?.entry.at];
  if (lastOfFirst === undefined || began === undefined) return null;
  if (Date.parse(lastOfFirst) > Date.parse(began)) return null;
  return (
    <p className="quiet" style={{ margin: 0 }}>
      Run the first setting once more (A-B-A): heat, track and rider drift over a session, and only going back
      tells that from the jets. Until then so much less is learnt from these runs.
    </p>
  );
}

function Groups({ kind }: { kind: RunsOfAKind }) {
  const { preferences } = useRig();
  return (
    <ol className="run-groups" aria-label={`Runs: ${kind.name}`}>
      {kind.groups.map(({ settings, runs }, i) => (
        <li key={i}>
          <span className="label">{settingWords(settings, kind.groups[0]?.settings ?? [])}</span>
          <span>{runs.map(({ entry }) => runFigure(entry.run, preferences)).join(" · ")}</span>
        </li>
      ))}
    </ol>
  );
}

/** What the runs say of the open change, ready to be logged: the stopwatch is a look too. */
function SayIt({ verdict }: { verdict: ComparedVerdict }) {
  const { header, present } = useRig();
  const fetcher = useFetcher<ActionProblem>();
  if (!present.openChange) return null;
  const words = { better: "better", same: "no different", worse: "worse" }[verdict];
  return (
    <>
      <Button
        variant="outlined"
        disabled={fetcher.state !== "idle"}
        sx={{ justifySelf: "start" }}
        onClick={() =>
          void fetcher.submit(
            { intent: "compared", verdict, zone: "top", putBack: "no" },
            { method: "post", action: `/rigs/${header.id}` },
          )
        }
      >
        Log the change as {words} at the top
      </Button>
      <Problem message={fetcher.data?.message} />
    </>
  );
}

export default function StopwatchRoute() {
  const { present, preferences } = useRig();
  const fetcher = useFetcher<Answer>();
  const [what, setWhat] = useState<Kind>(() => present.runs.at(-1)?.entry.run.what ?? "toSpeed");
  const [figure, setFigure] = useState("");
  const [over, setOver] = useState("");
  const fields = fetcher.data?.fields;
  const save = (text: string) => void fetcher.submit({ what, figure: text, over }, { method: "post" });
  const overLabel = OVERS[what]?.(preferences);
  const kind = newestKind(present.runs, preferences);
  const words = kind?.comparison && comparisonWords(kind.what, kind.comparison, preferences);
  const timed = what === "lap" || what === "toSpeed" || what === "distance";
  return (
    <div className="stack">
      <div aria-live="polite">
        <h1>{words?.title ?? "The stopwatch"}</h1>
        <p className="lead quiet">
          {words?.reason ??
            "Two runs at least of each setting, both ways for wind and slope, same rider and tyre pressure. A slipping clutch or belt spoils it."}
        </p>
      </div>
      <Caution>
        Closed course only, never on a public road; somebody else holds the watch. Lean at full throttle
        destroys engines: come from the rich side.
      </Caution>
      <Choice
        label="What is run"
        value={what}
        options={RUN_KINDS.map((value) => ({ value, text: RUN_NAMES[value] }))}
        onChange={setWhat}
      />
      {timed && (
        <BigWatch
          laps={what === "lap"}
          onTime={(seconds) => {
            const text = seconds.toFixed(2);
            setFigure(text);
            // A lap is saved as it ends: the next one runs already.
            if (what === "lap") save(text);
          }}
        />
      )}
      <div className="run-fields">
        <TextField
          label={FIGURES[what](preferences)}
          value={figure}
          autoComplete="off"
          onChange={(event) => setFigure(event.target.value)}
          error={fields?.["figure"] !== undefined}
          helperText={fields?.["figure"]}
          slotProps={{ htmlInput: { inputMode: "text" }, inputLabel: { shrink: true } }}
        />
        {overLabel !== undefined && (
          <TextField
            label={overLabel}
            value={over}
            autoComplete="off"
            onChange={(event) => setOver(event.target.value)}
            error={fields?.["over"] !== undefined}
            helperText={fields?.["over"]}
            slotProps={{ htmlInput: { inputMode: "decimal" }, inputLabel: { shrink: true } }}
          />
        )}
        <Button
          variant="contained"
          disabled={fetcher.state !== "idle"}
          onClick={() => save(figure)}
          sx={{ minHeight: 56 }}
        >
          Save this run
        </Button>
      </div>
      <Problem message={fetcher.data?.message} />
      {kind && (
        <section className="stack">
          <h2>{kind.name}</h2>
          <Groups kind={kind} />
          <BackToTheFirst kind={kind} />
          {words && what !== "fuel" && (
            <p className="quiet" style={{ margin: 0 }}>
              Runs of two settings on one day in one air count by themselves, as evidence in the zones they
              are ridden in. Said in your own words, your word counts instead and ends the open change.
            </p>
          )}
          {words && <SayIt verdict={words.verdict} />}
        </section>
      )}
    </div>
  );
}

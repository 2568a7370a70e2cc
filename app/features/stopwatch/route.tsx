import css from "./stopwatch.module.css";
import Button from "@mui/material/Button";
import { useCallback, useState } from "react";
import { data, useFetcher } from "react-router";
import type { Route } from "./+types/route";
import { longUnit, newestKind, readRun, RUN_KINDS, RunSent, takenBy } from "./form.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { openRig } from "#app/journal/open-rig.ts";
import { refused, saveEntry, type ActionProblem, readSent } from "#app/journal/save.ts";
import { BigWatch } from "./BigWatch.tsx";
import { BySatellites } from "./BySatellites.tsx";
import type { Taken } from "./satellite-form.ts";
import { type Preferences } from "#app/vocabulary/preferences.ts";
import { readPreferences } from "#app/store/preferences.ts";
import { comparisonWords, RUN_NAMES } from "#app/vocabulary/runs.ts";
import { BackToTheFirst, Groups } from "./Groups.tsx";
import { SayIt } from "./SayIt.tsx";

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const form = readSent(RunSent, Object.fromEntries(await request.formData()), "This run");
  if (!form.ok) return form.answer;
  await openRig(params.rigId);
  const read = readRun(form.sent, await readPreferences());
  if (!read.ok) return refused({ fields: read.fields });
  const problem = await saveEntry(params.rigId, "run", { run: read.run, ...takenBy(form.sent) });
  return problem ? refused(problem, 507) : data({ saved: form.sent.what });
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

export default function StopwatchRoute() {
  const { present, preferences } = useRig();
  const fetcher = useFetcher<Answer>();
  const [what, setWhat] = useState<Kind>(() => present.runs.at(-1)?.entry.run.what ?? "toSpeed");
  const [by, setBy] = useState<"hand" | "satellites">("hand");
  const [figure, setFigure] = useState("");
  const [over, setOver] = useState("");
  const fields = fetcher.data?.fields;
  const { submit } = fetcher;
  const save = (text: string) => void submit({ what, figure: text, over }, { method: "post" });
  const saveTaken = useCallback(
    ({ figure: text, errorShare, rateHz, simulated }: Taken) =>
      void submit(
        { what, figure: text, over, errorShare, rateHz, simulated: simulated ? "yes" : "no" },
        { method: "post" },
      ),
    [submit, what, over],
  );
  const overLabel = OVERS[what]?.(preferences);
  const kind = newestKind(present.runs, preferences);
  const words = kind?.comparison && comparisonWords(kind.what, kind.comparison, preferences);
  const byHand = by === "hand" || what === "fuel";
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
        Closed course only, never on a public road;{" "}
        {byHand
          ? "somebody else holds the watch."
          : "the phone rides in a zipped pocket, and nobody looks at it before the stop."}{" "}
        Lean at full throttle destroys engines: come from the rich side.
      </Caution>
      <Choice
        label="What is run"
        value={what}
        options={RUN_KINDS.map((value) => ({ value, text: RUN_NAMES[value] }))}
        onChange={setWhat}
      />
      {what !== "fuel" && (
        <Choice
          label="Timed by"
          value={by}
          options={[
            { value: "hand", text: "A hand", note: "somebody else’s" },
            { value: "satellites", text: "Satellites", note: "the phone in a pocket" },
          ]}
          onChange={setBy}
        />
      )}
      {timed && byHand && (
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
      <div className={css["run-fields"]}>
        {byHand && (
          <TypedField
            label={FIGURES[what](preferences)}
            value={figure}
            onChange={(event) => setFigure(event.target.value)}
            problem={fields?.["figure"]}
            keys="text"
          />
        )}
        {overLabel !== undefined && (
          <TypedField
            label={overLabel}
            value={over}
            onChange={(event) => setOver(event.target.value)}
            problem={fields?.["over"]}
            keys="decimal"
          />
        )}
        {byHand && (
          <Button
            variant="contained"
            disabled={fetcher.state !== "idle"}
            onClick={() => save(figure)}
            className="tall"
          >
            Save this run
          </Button>
        )}
      </div>
      <Problem message={fetcher.data?.message ?? (byHand ? undefined : fields?.["figure"])} />
      {!byHand && <BySatellites key={what} what={what} over={over} onTaken={saveTaken} />}
      {kind && (
        <section className="stack">
          <h2>{kind.name}</h2>
          <Groups kind={kind} />
          <BackToTheFirst kind={kind} />
          {words && what !== "fuel" && (
            <p className="quiet flush">
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

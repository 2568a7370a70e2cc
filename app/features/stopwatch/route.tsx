import css from "./stopwatch.module.css";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Refusals } from "#app/ui/refusals.ts";
import { FormProvider, useWatch } from "react-hook-form";
import type * as z from "zod/mini";
import { longUnit, newestKind, RUN_KINDS, runForm, type RunTexts } from "./form.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { LookKinds } from "#app/frame/LookKinds.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { TypedBefore } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { BigWatch } from "./BigWatch.tsx";
import { BySatellites } from "./BySatellites.tsx";
import type { Taken } from "./satellite-form.ts";
import { type Preferences } from "#app/vocabulary/preferences.ts";
import { comparisonWords, RUN_NAMES } from "#app/vocabulary/runs.ts";
import { BackToTheFirst, Groups } from "./Groups.tsx";
import { SayIt } from "./SayIt.tsx";
import { fixed } from "#app/vocabulary/numerals.ts";
import { LAW_PAGE } from "#app/vocabulary/help.ts";
import { LEAN_DESTROYS } from "#app/vocabulary/cautions.ts";

export const clientAction = rigAction({
  codec: ({ preferences }) => runForm(preferences),
  form: "stopwatch",
  what: "This run",
  entries: (run) => [{ kind: "run", ...run }],
});

type Kind = (typeof RUN_KINDS)[number];

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
  const form = useRigForm<RunTexts, z.output<ReturnType<typeof runForm>>>("stopwatch", runForm(preferences), {
    what: present.runs.at(-1)?.entry.run.what ?? "toSpeed",
    figure: "",
    over: "",
  });
  const { methods, send, saving, answer, offer } = form;
  const [by, setBy] = useState<"hand" | "satellites">("hand");
  const [what, over] = useWatch({ control: methods.control, name: ["what", "over"] });
  const saveTaken = ({ figure, errorShare, rateHz, simulated }: Taken) =>
    send({ figure, taken: { errorShare, rateHz, simulated } });
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
      <LookKinds kind="stopwatch" />
      <Caution page={LAW_PAGE}>
        Closed course only, never on a public road;{" "}
        {byHand
          ? "somebody else holds the watch."
          : "the phone rides in a zipped pocket, and nobody looks at it before the stop."}{" "}
        {LEAN_DESTROYS}: come from the rich side.
      </Caution>
      <Choice
        label="What is run"
        value={what}
        options={RUN_KINDS.map((value) => ({ value, text: RUN_NAMES[value] }))}
        onChange={(value) => methods.setValue("what", value)}
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
            methods.setValue("figure", fixed(seconds, 2));
            // A lap is saved as it ends: the next one runs already.
            if (what === "lap") send();
          }}
        />
      )}
      <FormProvider {...methods}>
        <Refusals value={answer?.fields ?? {}}>
          <form noValidate onSubmit={form.save} className={css["run-fields"]}>
            {offer && <TypedBefore offer={offer} />}
            {byHand && <FormField<RunTexts> name="figure" label={FIGURES[what](preferences)} keys="text" />}
            {overLabel !== undefined && <FormField<RunTexts> name="over" label={overLabel} keys="decimal" />}
            {byHand && (
              <Button type="submit" variant="contained" disabled={saving} className="tall">
                Save this run
              </Button>
            )}
          </form>
        </Refusals>
      </FormProvider>
      <Problem message={answer?.message ?? (byHand ? undefined : answer?.fields?.["figure"])} />
      {!byHand && <BySatellites key={what} what={what} over={over} onTaken={saveTaken} />}
      {kind && (
        <section className="stack">
          <h2>{kind.name}</h2>
          <Groups kind={kind} />
          <BackToTheFirst kind={kind} />
          {words && what !== "fuel" && (
            <p className="quiet flush">
              Runs of two settings on one day in one air count as evidence for the zones you used. If you say
              it yourself, your word counts instead and the change is checked.
            </p>
          )}
          {words && <SayIt verdict={words.verdict} />}
        </section>
      )}
    </div>
  );
}

import { useState } from "react";
import { redirect, useActionData, useNavigation, useSubmit } from "react-router";
import * as z from "zod";
import type { Route } from "./+types/route";
import { Build, type Entry } from "#core/log/schema.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { STARTING_KINDS, startingBuild, type StartingKind } from "#core/rig/starting-builds.ts";
import { BuildEditor } from "../described/BuildEditor.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { PageHead } from "#app/ui/PageHead.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { localInstant } from "#app/journal/clock.ts";
import { newEntryId } from "#app/journal/entry-id.ts";
import { modelRefusal, refused, type ActionProblem, readSent } from "#app/journal/save.ts";
import { importRigs } from "#app/store/merge.ts";

const Sent = z.object({
  name: z.string().trim().min(1, "Give it a name, such as 250 enduro.").max(60, "At most 60 characters."),
  plate: z.string().trim().min(1, "Give it a number of one to four signs.").max(4, "At most four signs."),
  build: Build,
});

export const meta = () => [{ title: "A new rig · Tamis" }];

export async function clientAction({ request }: Route.ClientActionArgs) {
  const read = readSent(Sent, await request.json());
  if (!read.ok) return read.answer;
  const { name, plate, build } = read.sent;
  const refusal = modelRefusal(() => checkBuild(build));
  if (refusal !== undefined) return refused({ message: refusal });
  const id = newEntryId("build").replace("build:", "rig:");
  const first: Entry = {
    id: newEntryId("build"),
    at: localInstant(),
    kind: "build",
    build,
    reopens: [],
    why: "Rig described",
  };
  const made = await importRigs([{ header: { id, name, plate }, entries: [first] }]);
  return made.ok ? redirect(`/rigs/${id}`) : refused({ message: made.problem.message }, 507);
}

const KIND_NAMES: Readonly<Record<StartingKind, string>> = {
  twoStrokeBike: "Two-stroke bike",
  fourStrokeAtv: "Four-stroke ATV",
  kart: "Kart",
  methanolRacer: "Methanol racer",
};

export default function NewRigRoute() {
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const [kind, setKind] = useState<StartingKind>("twoStrokeBike");
  const [name, setName] = useState("");
  const [plate, setPlate] = useState("");
  const save = (build: Build) =>
    void submit(JSON.stringify({ name, plate, build }), { method: "post", encType: "application/json" });
  const fields = answer?.fields;
  return (
    <div className="page">
      <PageHead />
      <main className="stack">
        <div>
          <h1>A new rig</h1>
          <p className="lead quiet">
            Choose what is nearest: its usual values stand in the fields until you put your own measures
            there, and are marked as assumed until then. None is a maker’s figure.
          </p>
        </div>
        <BuildEditor
          key={kind}
          start={startingBuild(kind)}
          withBox
          saveWords="Make the rig"
          saving={saving}
          onSave={save}
          before={
            <section className="stack">
              <Choice
                label="Start from"
                value={kind}
                options={STARTING_KINDS.map((value) => ({ value, text: KIND_NAMES[value] }))}
                onChange={setKind}
              />
              <div className="two">
                <TypedField
                  label="Name"
                  value={name}
                  onChange={(event) => setName(event.target.value)}
                  problem={fields?.["name"]}
                  hint="Such as 250 enduro."
                />
                <TypedField
                  label="Number plate"
                  value={plate}
                  onChange={(event) => setPlate(event.target.value)}
                  problem={fields?.["plate"]}
                  hint="Its face in the paddock."
                />
              </div>
            </section>
          }
          after={
            <Problem message={answer?.message ?? (fields && "Name and number plate are wanted above.")} />
          }
        />
      </main>
    </div>
  );
}

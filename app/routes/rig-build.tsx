import TextField from "@mui/material/TextField";
import { useState } from "react";
import { redirect, useActionData, useNavigation, useSubmit } from "react-router";
import * as z from "zod";
import type { Route } from "./+types/rig-build";
import { PathName } from "#core/log/parts.ts";
import { Build } from "#core/log/schema.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { BuildEditor } from "#app/editor/BuildEditor.tsx";
import { Choice } from "#app/parts/Choice.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { useRig } from "#app/rig/context.ts";
import { modelRefusal, openRig, refused, saveEntry, type ActionProblem } from "#app/rig/save.ts";

/** What was done to the machine, and which doubts that brings back. */
const WORK = {
  measured: { text: "Measured again", reopens: [] },
  pilot: { text: "Pilot side", reopens: ["pilot"] },
  needle: { text: "Needle or its jet", reopens: ["needle"] },
  main: { text: "Main side", reopens: ["main"] },
  breathing: { text: "Pipe or filter", reopens: ["pilot", "needle", "main", "zones"] },
} as const satisfies Record<string, { text: string; reopens: readonly z.infer<typeof PathName>[] }>;
type Work = keyof typeof WORK;

const Sent = z.object({ build: Build, reopens: z.array(PathName), why: z.string().max(2000) });

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const parsed = Sent.safeParse(await request.json());
  if (!parsed.success) return refused({ message: "This rig cannot be read. Nothing was saved." });
  const { build } = parsed.data;
  const { fitted } = await openRig(params.rigId);
  const refusal = modelRefusal(() => {
    checkBuild(build);
    // What is fitted stays fitted: it must suit the machine as it is now, or nothing could be advised.
    checkSettingOn(build, fitted);
  });
  if (refusal !== undefined) return refused({ message: refusal });
  const problem = await saveEntry(params.rigId, "build", parsed.data);
  return problem ? refused(problem, 507) : redirect(`/rigs/${params.rigId}`);
}

export default function RigBuildRoute() {
  const { build } = useRig();
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const [work, setWork] = useState<Work>("measured");
  const [why, setWhy] = useState("");
  const save = (next: Build) => {
    const sent = { build: next, reopens: [...WORK[work].reopens], why: why || WORK[work].text };
    void submit(JSON.stringify(sent), { method: "post", encType: "application/json" });
  };
  return (
    <div className="stack">
      <div>
        <h1>The rig</h1>
        <p className="lead quiet">
          Every number as stamped or measured. Saving logs the machine as it is from now on; what is fitted
          stays fitted.
        </p>
      </div>
      <BuildEditor
        start={build}
        saveWords="Save the rig"
        saving={saving}
        onSave={save}
        after={
          <section className="stack">
            <Choice
              label="What was done"
              value={work}
              options={(Object.keys(WORK) as Work[]).map((value) => ({ value, text: WORK[value].text }))}
              onChange={setWork}
            />
            <p className="quiet" style={{ margin: 0 }}>
              Cleaned, replaced or drilled: the doubt of that side comes back, and the next looks settle it
              again.
            </p>
            <TextField
              label="Words for the log"
              value={why}
              onChange={(event) => setWhy(event.target.value)}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <Problem message={answer?.message} />
          </section>
        }
      />
    </div>
  );
}

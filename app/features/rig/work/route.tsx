import Button from "@mui/material/Button";
import { useState } from "react";
import { Form, redirect, useActionData, useNavigation } from "react-router";
import * as z from "zod/mini";
import type { Route } from "./+types/route";
import { WorkNameSchema, type WorkName } from "#core/log/epochs.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { RigTabs } from "../RigTabs.tsx";
import { WorkPick } from "../WorkPick.tsx";
import { refused, saveEntry, type ActionProblem, readSent } from "#app/journal/save.ts";

const Sent = z.object({ what: WorkNameSchema, why: z.string().check(z.trim(), z.maxLength(2000)) });

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const read = readSent(Sent, Object.fromEntries(await request.formData()));
  if (!read.ok) return read.answer;
  const problem = await saveEntry(params.rigId, "work", read.sent);
  return problem ? refused(problem, 507) : redirect(`/rigs/${params.rigId}`);
}

export default function WorkRoute() {
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const [what, setWhat] = useState<WorkName>("allCleaned");
  const [why, setWhy] = useState("");
  return (
    <div className="stack">
      <RigTabs />
      <div>
        <h1>What was done to it?</h1>
        <p className="lead quiet">
          Cleaned, replaced, drilled, another pipe: exactly the doubts it touches come back, and what the
          looks taught about the rest stands.
        </p>
      </div>
      <Form method="post" className="form">
        <input type="hidden" name="what" value={what} />
        <WorkPick value={what} onChange={(next) => next !== "measured" && setWhat(next)} />
        <TypedField
          name="why"
          label="Words for the log"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          problem={answer?.fields?.["why"]}
          most={2000}
        />
        <Caution>
          Rubber out before solvent; eye protection with compressed air; no wire through a drilling.
        </Caution>
        <Problem message={answer?.message} />
        <div className="row save">
          <Button type="submit" variant="contained" disabled={saving}>
            {saving ? "Saving…" : "Log this work"}
          </Button>
        </div>
      </Form>
    </div>
  );
}

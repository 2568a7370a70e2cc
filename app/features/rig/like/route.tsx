/** Another rig like this one: a second carburettor for the same machine, a team's second bike. */
import { useEffect } from "react";
import { redirect } from "react-router";
import type { Route } from "./+types/route";
import { airAnswerFor } from "#core/rig/rig-like.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { openRig } from "#app/journal/open-rig.ts";
import { readSent, refused } from "#app/journal/save.ts";
import { dropDraft } from "#app/store/drafts.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { FormField, FormPick } from "#app/ui/form-fields.tsx";
import { fixed } from "#app/vocabulary/numerals.ts";
import { LikeForm } from "./form.ts";
import { makeLike } from "./make-like.ts";

const FORM = "like";

export async function clientAction({ request, params }: Route.ClientActionArgs) {
  const read = readSent(LikeForm, await request.json(), "This rig");
  if (!read.ok) return read.answer;
  const { name, plate, carburettor, takesAir, airAnswer } = read.sent;
  const rig = await openRig(params.rigId);
  const wanted = { carburettor, ...(takesAir === "yes" && airAnswer && { airAnswer }) };
  const { header, stored } = await makeLike(rig, { name, plate }, wanted);
  if (!stored.ok) return refused({ message: stored.problem.message }, 507);
  await dropDraft(params.rigId, FORM);
  return redirect(carburettor === "anew" ? `/rigs/${header.id}/build` : "/");
}

export default function LikeRoute() {
  const { header } = useRig();
  const { value: trend } = useJudge({ ask: "trend" });
  const learnt = trend?.days.at(-1)?.engine.airSensitivity;
  const form = useRigForm(FORM, LikeForm, {
    name: `${header.name} 2`.slice(0, 60),
    plate: header.plate,
    carburettor: "same",
    takesAir: "no",
  });
  const { setValue } = form.methods;
  useEffect(() => {
    if (learnt) setValue("airAnswer", airAnswerFor(learnt));
  }, [learnt, setValue]);
  return (
    <div className="stack">
      <div>
        <h1>Another like it</h1>
        <p className="lead quiet">
          A second carburettor for this machine, or a team’s second bike. Machine, places, base sheet, box and
          ways of working come along. Its log is its own.
        </p>
      </div>
      <Caution plain>
        What is fitted here is only a guess there: two carburettors are never quite alike. Come from the rich
        side.
      </Caution>
      <RigFields form={form} saves="Make it">
        <FormField name="name" label="Name" most={60} />
        <FormField name="plate" label="Number plate" hint="Its face in the paddock." most={4} />
        <FormPick
          name="carburettor"
          label="Its carburettor"
          options={[
            ["same", "Like this one"],
            ["anew", "Another: describe it next"],
          ]}
        />
        {learnt && (
          <FormPick
            name="takesAir"
            label="What this engine’s answer to the air has taught"
            options={[
              ["no", "Leave it here"],
              [
                "yes",
                `Take it along: ${fixed(learnt.mean, 2)} ± ${fixed(airAnswerFor(learnt).sd, 2)} against the orifice law`,
              ],
            ]}
          />
        )}
      </RigFields>
    </div>
  );
}

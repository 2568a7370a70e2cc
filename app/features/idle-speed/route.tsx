import css from "./idle-speed.module.css";
import Button from "@mui/material/Button";
import { Form, data, useActionData, useNavigation } from "react-router";
import type { Route } from "./+types/route";
import { AdjustSent, readAdjust } from "./form.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { openRig } from "#app/journal/open-rig.ts";
import { refused, saveEntry, type ActionProblem, readSent } from "#app/journal/save.ts";
import { formatTurns } from "#core/units/workshop.ts";

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const form = readSent(AdjustSent, Object.fromEntries(await request.formData()));
  if (!form.ok) return form.answer;
  const { what } = form.sent;
  const { present, build } = await openRig(params.rigId);
  const set = present.adjusted.idleSpeed?.set;
  const read = readAdjust(form.sent, set?.what === "idleSpeed" ? set.rpm : build.engine.idleRpm);
  if (!read.ok) return refused({ fields: { [what]: read.message } });
  const problem = await saveEntry(params.rigId, "adjust", { set: read.set });
  return problem ? refused(problem, 507) : data({ saved: what });
}

type Answer = ActionProblem & { saved?: AdjustSent["what"] };

function SetField({ what, label, hint }: { what: AdjustSent["what"]; label: string; hint: string }) {
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<Answer>();
  const problem = answer?.fields?.[what];
  return (
    <Form method="post" className={css["set-field"]} noValidate>
      <input type="hidden" name="what" value={what} />
      <TypedField
        name="figure"
        label={label}
        problem={problem}
        hint={answer?.saved === what ? "Saved." : hint}
        keys="decimal"
      />
      <Button
        type="submit"
        variant="contained"
        disabled={saving}
        aria-label={`Save: ${label}`}
        className="tall"
      >
        It is set
      </Button>
    </Form>
  );
}

export default function IdleSpeedRoute() {
  const { build, present } = useRig();
  const answer = useActionData<Answer>();
  const { adjusted } = present;
  const last = (what: AdjustSent["what"], unset: string): string => {
    const set = adjusted[what]?.set;
    if (!set) return unset;
    return set.what === "pump"
      ? `Last: ${formatTurns(set.turns)} turns.`
      : `Last: ${Math.round(set.rpm)} rpm.`;
  };
  const { idleRpm } = build.engine;
  const { pumpBaseTurns } = build.carburettor;
  return (
    <div className="stack">
      <div>
        <h1>Idle speed and pump</h1>
        <p className="lead quiet">
          After the mixture screw: first the speed it idles at, then the stumble on a snap.
        </p>
      </div>
      <Caution>
        In the open, hot pipe, hands and sleeves clear of chain, belt and flywheel. Never so low that oil
        pressure or pick-up suffer; never so high that a clutch or a belt takes hold. It must stay shut with
        the bars at full lock.
      </Caution>
      <section className="stack">
        <h2 className="label">Idle speed</h2>
        <ol className="steps">
          <li>
            Warm, choke off, nobody on it. Turn the idle stop until it runs at {idleRpm} rpm, as the rig says.
          </li>
          <li>Blip once and wait: it must come back to the same speed.</li>
          <li>
            Two stops on one machine: set the spare one a few hundred lower. It saves the run when the first
            breaks.
          </li>
        </ol>
        <SetField
          what="idleSpeed"
          label="Idle speed, rpm"
          hint={last("idleSpeed", `By the rig: ${idleRpm} rpm.`)}
        />
        <SetField
          what="spareIdleSpeed"
          label="Spare stop, rpm"
          hint={last("spareIdleSpeed", "Only where there is a second one.")}
        />
      </section>
      <section className="stack">
        <h2 className="label">Accelerator pump</h2>
        {pumpBaseTurns === undefined ? (
          <p className="quiet flush">This carburettor has none, by the rig’s description.</p>
        ) : (
          <>
            <ol className="steps">
              <li>Begin with its screw closed: no more fuel than is needed.</li>
              <li>Engine warm and in gear as it is ridden, or on the stand: snap the throttle open.</li>
              <li>It stumbles? A quarter turn out, and again, until the stumble on a snap is just gone.</li>
            </ol>
            <Caution>
              A raised wheel spins: on a proper stand, nobody behind it. On the ground: on closed ground with
              room to stop.
            </Caution>
            <SetField
              what="pump"
              label="Pump screw, turns out"
              hint={last("pump", `Base: ${formatTurns(pumpBaseTurns)} turns.`)}
            />
          </>
        )}
      </section>
      <Problem message={answer?.message} />
    </div>
  );
}

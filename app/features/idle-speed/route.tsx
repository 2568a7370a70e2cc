import css from "./idle-speed.module.css";
import { adjustForm, type Adjusted } from "./form.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import type { Build } from "#core/log/schema.ts";
import type { Present } from "#core/log/present.ts";
import { formatTurns } from "#app/vocabulary/numerals.ts";

/** What it idles at: as it was last set, else by the rig. */
function idleRpm({ engine }: Build, { adjusted }: Present): number {
  const set = adjusted.idleSpeed?.set;
  return set?.what === "idleSpeed" ? set.rpm : engine.idleRpm;
}

const draftOf = (what: Adjusted): string => `idle-speed/${what}`;

export const clientAction = rigAction({
  codec: ({ rig }) => adjustForm(idleRpm(rig.build, rig.present)),
  form: ({ what }) => draftOf(what),
  entries: (set) => [{ kind: "adjust", set }],
});

function SetField({ what, label, hint }: { what: Adjusted; label: string; hint: string }) {
  const { build, present } = useRig();
  const form = useRigForm(draftOf(what), adjustForm(idleRpm(build, present)), { what, figure: "" });
  return (
    <RigFields form={form} saves="It is set" saveLabel={`Save: ${label}`} inline={css["set-field"]}>
      <FormField name="figure" label={label} hint={form.answer?.logged ? "Saved." : hint} keys="decimal" />
    </RigFields>
  );
}

export default function IdleSpeedRoute() {
  const { build, present } = useRig();
  const { adjusted } = present;
  const last = (what: Adjusted, unset: string): string => {
    const set = adjusted[what]?.set;
    if (!set) return unset;
    return set.what === "pump"
      ? `Last: ${formatTurns(set.turns)} turns.`
      : `Last: ${Math.round(set.rpm)} rpm.`;
  };
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
            Warm, choke off, nobody on it. Turn the idle stop until it runs at {build.engine.idleRpm} rpm, as
            the rig says.
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
          hint={last("idleSpeed", `By the rig: ${build.engine.idleRpm} rpm.`)}
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
              <li>
                Warm the engine. Ride it in gear on closed ground, or use a work stand. Snap the throttle
                open.
              </li>
              <li>It stumbles? A quarter turn out, and again, until the stumble on a snap is just gone.</li>
            </ol>
            <Caution>
              A raised wheel spins. Use a proper work stand, and keep everybody away from behind it. On the
              ground: on closed ground with room to stop.
            </Caution>
            <SetField
              what="pump"
              label="Pump screw, turns out"
              hint={last("pump", `Base: ${formatTurns(pumpBaseTurns)} turns.`)}
            />
          </>
        )}
      </section>
    </div>
  );
}

import css from "../rig.module.css";
import { useSearchParams } from "react-router";
import { TEARDOWN_STEPS, TeardownStep } from "#core/log/teardown-names.ts";
import { onTray } from "#core/log/tray.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { logEntries } from "#app/journal/save.ts";
import { putPhotos, withPhotos } from "#app/store/photos.ts";
import { removeKeys } from "#app/store/database.ts";
import { TEARDOWN_WORDS } from "#app/vocabulary/teardown.ts";
import { StepForm, readOff, refusalOf, nextStep, stepDraft } from "./contents.ts";
import { StepFields } from "./StepFields.tsx";
import { Tray } from "./Tray.tsx";

export const clientAction = rigAction({
  codec: StepForm,
  form: ({ step }) => stepDraft(step),
  what: "This step",
  entries: (sent, { rig, files }) => {
    if (files.length !== sent.photos.length)
      return { message: "A photo got lost on the way. Nothing was saved; try again." };
    const more = readOff(sent, rig);
    if (typeof more === "string") return { fields: { reads: more } };
    const refusal = refusalOf(more, rig);
    if (refusal !== undefined) return { fields: { reads: refusal } };
    return [{ kind: "teardown", ...sent }, ...more];
  },
  log: async ({ photos }, contents, { params: { rigId = "" }, files }) => {
    const taken = await Promise.all(
      photos.map(async ({ id }, i) => ({
        rigId,
        id,
        bytes: new Uint8Array((await files[i]?.arrayBuffer()) ?? new ArrayBuffer(0)),
      })),
    );
    return withPhotos(async () => {
      const kept = await putPhotos(taken);
      if (!kept.ok) return { ok: false, problem: { message: kept.problem.message }, status: 507 };
      const logged = await logEntries(rigId, contents);
      if (!logged.ok) await removeKeys(kept.value);
      return logged;
    });
  },
  then: (rigId, contents) => {
    const done = contents.find((content) => content.kind === "teardown");
    const next = done && nextStep(done.step, done.moved);
    return placeHref(rigId, next ? `teardown?step=${next}` : "teardown");
  },
});

/** On a phone the steps are one long row. */
const intoView = (button: HTMLButtonElement | null): void =>
  button?.scrollIntoView({ block: "nearest", inline: "center" });

export default function TeardownRoute() {
  const { present, header } = useRig();
  const [query, setQuery] = useSearchParams();
  const out = onTray(present.teardown);
  const outSteps = out.map(({ step }) => step);
  const asked = TeardownStep.safeParse(query.get("step"));
  const step = asked.success
    ? asked.data
    : (TEARDOWN_STEPS.find((candidate) => !outSteps.includes(candidate)) ?? "asFound");
  return (
    <div className="stack">
      <div>
        <h1>Teardown</h1>
        <p className="lead quiet">
          Every number before the part goes into the cleaner. What you read goes into the rig, with today’s
          date.
        </p>
      </div>
      <Caution>
        Tap off, bowl drained into a can, no flame near. Rag in the open port. Eye protection with cleaner and
        compressed air.
      </Caution>
      <Tray out={out} rigId={header.id} />
      <nav className={css["chips"]} aria-label="Steps">
        {TEARDOWN_STEPS.map((name) => (
          <button
            key={name}
            type="button"
            ref={name === step ? intoView : undefined}
            aria-current={name === step ? "step" : undefined}
            className={outSteps.includes(name) ? css["done"] : ""}
            onClick={() => setQuery({ step: name }, { preventScrollReset: true })}
          >
            {TEARDOWN_WORDS[name].title}
            {outSteps.includes(name) && <small> out</small>}
          </button>
        ))}
      </nav>
      <StepFields key={`${step} ${present.teardown.length}`} step={step} isOut={outSteps.includes(step)} />
    </div>
  );
}

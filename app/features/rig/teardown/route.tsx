import css from "../rig.module.css";
import { redirect, useSearchParams } from "react-router";
import type { Route } from "./+types/route";
import { TEARDOWN_STEPS, TeardownStep } from "#core/log/teardown-names.ts";
import { onTray } from "#core/log/tray.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { RigTabs } from "../RigTabs.tsx";
import { openRig } from "#app/journal/open-rig.ts";
import { refused, saveEntries, readSent } from "#app/journal/save.ts";
import { putPhotos, withPhotos } from "#app/store/photos.ts";
import { removeKeys } from "#app/store/database.ts";
import { TEARDOWN_WORDS } from "#app/vocabulary/teardown.ts";
import { Sent, readOff, refusalOf, nextStep } from "./contents.ts";
import { StepForm } from "./StepForm.tsx";
import { Tray } from "./Tray.tsx";

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const form = await request.formData();
  const content = form.get("content");
  const read = readSent(Sent, typeof content === "string" ? JSON.parse(content) : undefined, "This step");
  if (!read.ok) return read.answer;
  const { sent } = read;
  const blobs = form.getAll("photo").filter((value): value is File => typeof value !== "string");
  if (blobs.length !== sent.photos.length)
    return refused({ message: "A photo got lost on the way. Nothing was saved; try again." });
  const rig = await openRig(params.rigId);
  const more = readOff(sent, rig);
  if (typeof more === "string") return refused({ fields: { reads: more } });
  const refusal = refusalOf(more, rig);
  if (refusal !== undefined) return refused({ fields: { reads: refusal } });
  const photos = await Promise.all(
    sent.photos.map(async ({ id }, i) => ({
      rigId: params.rigId,
      id,
      bytes: new Uint8Array((await blobs[i]?.arrayBuffer()) ?? new ArrayBuffer(0)),
    })),
  );
  const problem = await withPhotos(async () => {
    const kept = await putPhotos(photos);
    if (!kept.ok) return kept.problem;
    const unsaved = await saveEntries(params.rigId, [{ kind: "teardown", ...sent }, ...more]);
    if (unsaved) await removeKeys(kept.value);
    return unsaved;
  });
  if (problem) return refused({ message: problem.message ?? "" }, 507);
  const next = nextStep(sent.step, sent.moved);
  return redirect(placeHref(params.rigId, next ? `teardown?step=${next}` : "teardown"));
}

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
      <RigTabs />
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
      <StepForm key={`${step} ${present.teardown.length}`} step={step} isOut={outSteps.includes(step)} />
    </div>
  );
}

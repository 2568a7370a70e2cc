import Button from "@mui/material/Button";
import InputAdornment from "@mui/material/InputAdornment";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { redirect, useActionData, useNavigation, useSearchParams, useSubmit } from "react-router";
import * as z from "zod";
import type { Route } from "./+types/teardown";
import { Change, PhotoRef, type TeardownEntry } from "#core/log/schema.ts";
import { TEARDOWN_STEPS, TeardownStep } from "#core/log/teardown-names.ts";
import { applyFit } from "#core/log/fold.ts";
import { onTray } from "#core/log/tray.ts";
import { buildReadOff, buildStamped, fittedPart, NUMBER_STEPS } from "#core/rig/read-off.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { propose } from "#core/walkround/proposal.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { Caution } from "#app/parts/Caution.tsx";
import { FileButton } from "#app/parts/FileButton.tsx";
import { PhotoImage } from "#app/parts/PhotoImage.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { newPhotoId } from "#app/rig/entry-id.ts";
import { useRig } from "#app/rig/context.ts";
import { placeHref } from "#app/rig/places.ts";
import { RigTabs } from "#app/rig/RigTabs.tsx";
import {
  modelRefusal,
  openRig,
  refused,
  saveEntries,
  type ActionProblem,
  type Content,
  type OpenRig,
} from "#app/rig/save.ts";
import { putPhotos, removeKeys } from "#app/store/photos.ts";
import { files, wordsOf } from "#app/workers/client.ts";
import type { SmallPhoto } from "#app/workers/photo.ts";
import { TEARDOWN_WORDS } from "#app/words/teardown.ts";

const Sent = z.object({
  step: TeardownStep,
  moved: z.enum(["out", "in"]),
  reads: z.string().trim().max(60),
  torque: z.string().trim().max(60),
  note: z.string().trim().max(2000),
  photos: z.array(PhotoRef).max(12),
});
type Sent = z.infer<typeof Sent>;

/** A float's height is a measure of the walk-round: outside its limits it says stop there. */
function floatCheck(floatLeftMm: number, { build, fitted, present }: OpenRig): Content[] | string {
  const seen = { measured: { floatLeftMm }, findings: [] };
  const impossible = modelRefusal(() => propose("floatHeight", seen, build, fitted, present.sheet));
  if (impossible !== undefined) return impossible;
  const { state } = propose("floatHeight", seen, build, fitted, present.sheet);
  return [{ kind: "check", check: "floatHeight", state, ...seen, note: "Read at the teardown." }];
}

/** What a number read off a part says of the rig: what is fitted, or a measure, with its date. */
function readOff({ step, moved, reads }: Sent, rig: OpenRig): Content[] | string {
  const { build, present } = rig;
  if (moved === "in" || reads === "") return [];
  if (step === "stamp") {
    const stamped = buildStamped(build, reads.slice(0, 40));
    return stamped ? [{ kind: "build", build: stamped, reopens: [], why: `Stamped ${reads}` }] : [];
  }
  if (!NUMBER_STEPS.includes(step)) return [];
  const read = readTypedNumber(reads);
  if (!read.ok) return `“${reads}” is not a number.`;
  const part = fittedPart(step);
  if (part) {
    const change = Change.safeParse({ part, to: read.value });
    if (!change.success) return `${TEARDOWN_WORDS[step].title} cannot be ${reads}.`;
    if (present.settings.every((setting) => setting[part] === read.value)) return [];
    return [{ kind: "fit", changes: [change.data], because: "teardown" }];
  }
  if (step === "float") return floatCheck(read.value, rig);
  const measured = buildReadOff(build, step, read.value);
  return measured
    ? [{ kind: "build", build: measured, reopens: [], why: `${TEARDOWN_WORDS[step].title} read off` }]
    : [];
}

function refusalOf(contents: readonly Content[], { build, fitted }: OpenRig): string | undefined {
  return modelRefusal(() => {
    for (const content of contents) {
      if (content.kind === "build") {
        checkBuild(content.build);
        checkSettingOn(content.build, fitted);
      }
      if (content.kind === "fit") checkSettingOn(build, applyFit(fitted, content));
    }
  });
}

const nextStep = (step: TeardownStep, moved: "out" | "in"): TeardownStep | undefined =>
  TEARDOWN_STEPS[TEARDOWN_STEPS.indexOf(step) + (moved === "out" ? 1 : -1)];

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const form = await request.formData();
  const content = form.get("content");
  const parsed = Sent.safeParse(typeof content === "string" ? JSON.parse(content) : undefined);
  if (!parsed.success) return refused({ message: "This step cannot be read. Nothing was saved." });
  const sent = parsed.data;
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
  const kept = await putPhotos(photos);
  if (!kept.ok) return refused({ message: kept.problem.message }, 507);
  const problem = await saveEntries(params.rigId, [{ kind: "teardown", ...sent }, ...more]);
  if (problem) {
    await removeKeys(kept.value);
    return refused(problem, 507);
  }
  const next = nextStep(sent.step, sent.moved);
  return redirect(placeHref(params.rigId, next ? `teardown?step=${next}` : "teardown"));
}

interface NewPhoto extends SmallPhoto {
  readonly id: string;
  readonly address: string;
}

function StepForm({ step, isOut }: { step: TeardownStep; isOut: boolean }) {
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const [reads, setReads] = useState("");
  const [torque, setTorque] = useState("");
  const [note, setNote] = useState("");
  const [photos, setPhotos] = useState<readonly NewPhoto[]>([]);
  const [trouble, setTrouble] = useState<string>();
  const [shrinking, setShrinking] = useState(false);
  const words = TEARDOWN_WORDS[step];
  const take = async (chosen: readonly File[]) => {
    setTrouble(undefined);
    setShrinking(true);
    for (const file of chosen) {
      try {
        const small = await files.shrinkPhoto(file);
        const address = URL.createObjectURL(new Blob([small.bytes], { type: "image/jpeg" }));
        setPhotos((before) => [...before, { ...small, id: newPhotoId(), address }]);
      } catch (error) {
        setTrouble(`${file.name}: ${wordsOf(error)}`);
      }
    }
    setShrinking(false);
  };
  const save = (moved: "out" | "in") => {
    const form = new FormData();
    const refs = photos.map(({ id, widthPx, heightPx }) => ({ id, widthPx, heightPx }));
    form.set("content", JSON.stringify({ step, moved, reads, torque, note, photos: refs } satisfies Sent));
    for (const { id, bytes } of photos)
      form.append("photo", new Blob([bytes], { type: "image/jpeg" }), `${id}.jpg`);
    void submit(form, { method: "post", encType: "multipart/form-data" });
  };
  return (
    <section className="stack">
      <div>
        <h2>{words.title}</h2>
        <p style={{ margin: "4px 0 0" }}>{words.how}</p>
        <p className="quiet" style={{ margin: "4px 0 0" }}>
          Back in: {words.refit}
        </p>
      </div>
      <div className="two">
        {words.reads && (
          <TextField
            label={words.reads.label}
            value={reads}
            onChange={(event) => setReads(event.target.value)}
            error={answer?.fields?.["reads"] !== undefined}
            helperText={
              answer?.fields?.["reads"] ??
              (NUMBER_STEPS.includes(step) ? "Goes straight into the rig." : undefined)
            }
            slotProps={{
              inputLabel: { shrink: true },
              input:
                words.reads.unit === undefined
                  ? {}
                  : { endAdornment: <InputAdornment position="end">{words.reads.unit}</InputAdornment> },
            }}
          />
        )}
        <TextField
          label="How tight, by whose book"
          value={torque}
          onChange={(event) => setTorque(event.target.value)}
          helperText="Snug, not tight: cast threads and towers break."
          slotProps={{ inputLabel: { shrink: true } }}
        />
      </div>
      <TextField
        label="Note"
        value={note}
        multiline
        onChange={(event) => setNote(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <div className="row">
        <FileButton
          words={shrinking ? "Scaling down…" : "Add photos"}
          label="Photos of this part"
          accept="image/*"
          multiple
          onFiles={(chosen) => void take(chosen)}
        />
        {photos.map(({ id, address }) => (
          <img
            key={id}
            src={address}
            alt={`New photo of ${words.title.toLowerCase()}`}
            className="photo-small"
          />
        ))}
      </div>
      <Problem message={trouble ?? answer?.message} />
      <div className="row save">
        <Button
          variant={isOut ? "outlined" : "contained"}
          disabled={saving || shrinking}
          onClick={() => save("out")}
        >
          {isOut ? "Log it again" : "It is out"}
        </Button>
        {isOut && (
          <Button variant="contained" disabled={saving || shrinking} onClick={() => save("in")}>
            It is back in
          </Button>
        )}
      </div>
    </section>
  );
}

/** What lies on the bench, in the order it came out; it goes back from the end. */
function Tray({ out, rigId }: { out: readonly TeardownEntry[]; rigId: string }) {
  if (out.length === 0)
    return (
      <p className="quiet" style={{ margin: 0 }}>
        The tray is empty. Parts appear here in the order they come out, and go back from the last to the
        first.
      </p>
    );
  return (
    <ol className="tray" aria-label="Parts tray">
      {out.map((entry, i) => {
        const { title } = TEARDOWN_WORDS[entry.step];
        return (
          <li key={entry.id}>
            <span className="number">{i + 1}</span>
            <strong>{title}</strong>
            <span>{entry.reads}</span>
            <small className="quiet">
              {entry.at.slice(11, 16)}
              {entry.torque === "" ? "" : ` · ${entry.torque}`}
            </small>
            {entry.photos.map((photo) => (
              <PhotoImage
                key={photo.id}
                rigId={rigId}
                photo={photo}
                words={`${title}, ${entry.at.slice(0, 10)}`}
              />
            ))}
          </li>
        );
      })}
    </ol>
  );
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
      <nav className="chips" aria-label="Steps">
        {TEARDOWN_STEPS.map((name) => (
          <button
            key={name}
            type="button"
            ref={name === step ? intoView : undefined}
            aria-current={name === step ? "step" : undefined}
            className={outSteps.includes(name) ? "done" : ""}
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

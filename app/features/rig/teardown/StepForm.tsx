import css from "../rig.module.css";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useActionData, useNavigation, useSubmit } from "react-router";
import { TeardownStep } from "#core/log/teardown-names.ts";
import { NUMBER_STEPS } from "#core/rig/read-off.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { FileButton } from "#app/ui/FileButton.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { newPhotoId } from "#app/journal/entry-id.ts";
import { type ActionProblem } from "#app/journal/save.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { files } from "#app/workers/client.ts";
import type { SmallPhoto } from "#app/workers/photo.ts";
import { TEARDOWN_WORDS } from "#app/vocabulary/teardown.ts";
import { Sent } from "./contents.ts";

export interface NewPhoto extends SmallPhoto {
  readonly id: string;
  readonly address: string;
}

export function StepForm({ step, isOut }: { step: TeardownStep; isOut: boolean }) {
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
        <p className="close">{words.how}</p>
        <p className="quiet close">Back in: {words.refit}</p>
      </div>
      <div className="two">
        {words.reads && (
          <TypedField
            label={words.reads.label}
            value={reads}
            onChange={(event) => setReads(event.target.value)}
            problem={answer?.fields?.["reads"]}
            hint={NUMBER_STEPS.includes(step) ? "Goes straight into the rig." : undefined}
            unit={words.reads.unit}
          />
        )}
        <TypedField
          label="How tight, by whose book"
          value={torque}
          onChange={(event) => setTorque(event.target.value)}
          problem={answer?.fields?.["torque"]}
          most={60}
          hint="Snug, not tight: cast threads and towers break."
        />
      </div>
      <TypedField
        label="Note"
        value={note}
        multiline
        onChange={(event) => setNote(event.target.value)}
        problem={answer?.fields?.["note"]}
        most={2000}
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
            className={css["photo-small"]}
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

import css from "../rig.module.css";
import Button from "@mui/material/Button";
import { useEffect, useRef, useState } from "react";
import { Refusals } from "#app/ui/refusals.ts";
import { FormProvider } from "react-hook-form";
import { TeardownStep } from "#core/log/teardown-names.ts";
import { NUMBER_STEPS } from "#core/rig/read-off.ts";
import { TypedBefore } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { FileButton } from "#app/ui/FileButton.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { newPhotoId } from "#app/journal/entry-id.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { files } from "#app/workers/client.ts";
import type { SmallPhoto } from "#app/workers/photo.ts";
import { TEARDOWN_WORDS } from "#app/vocabulary/teardown.ts";
import { StepForm, stepDraft } from "./contents.ts";

export interface NewPhoto extends SmallPhoto {
  readonly id: string;
  readonly address: string;
}

/** A photo may be added or not: that is no typing, and is not kept. */
export function StepFields({ step, isOut }: { step: TeardownStep; isOut: boolean }) {
  const form = useRigForm(stepDraft(step), StepForm, {
    step,
    moved: "out",
    reads: "",
    torque: "",
    note: "",
    photos: [],
  });
  const { saving, answer, offer, send } = form;
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
        addresses.current.push(address);
        setPhotos((before) => [...before, { ...small, id: newPhotoId(), address }]);
      } catch (error) {
        setTrouble(`${file.name}: ${wordsOf(error)}`);
      }
    }
    setShrinking(false);
  };
  const addresses = useRef<string[]>([]);
  useEffect(() => {
    const shown = addresses.current;
    return () => shown.forEach((address) => URL.revokeObjectURL(address));
  }, []);
  const save = (moved: "out" | "in") =>
    send(
      { moved, photos: photos.map(({ id, widthPx, heightPx }) => ({ id, widthPx, heightPx })) },
      photos.map(({ id, bytes }) => new File([bytes], `${id}.jpg`, { type: "image/jpeg" })),
    );
  return (
    <FormProvider {...form.methods}>
      <Refusals value={answer?.fields ?? {}}>
        <section className="stack">
          {offer && <TypedBefore offer={offer} />}
          <div>
            <h2>{words.title}</h2>
            <p className="close">{words.how}</p>
            <p className="quiet close">Back in: {words.refit}</p>
          </div>
          <div className="two">
            {words.reads && (
              <FormField
                name="reads"
                label={words.reads.label}
                hint={NUMBER_STEPS.includes(step) ? "Goes straight into the rig." : undefined}
                unit={words.reads.unit}
              />
            )}
            <FormField
              name="torque"
              label="How tight, by whose book"
              most={60}
              hint="Snug, not tight: cast threads and towers break."
            />
          </div>
          <FormField name="note" label="Note" multiline most={2000} />
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
      </Refusals>
    </FormProvider>
  );
}

import { zodResolver } from "@hookform/resolvers/zod";
import Button from "@mui/material/Button";
import { useEffect, useRef } from "react";
import { FormProvider, useForm } from "react-hook-form";
import { useNavigation, useSubmit } from "react-router";
import { Box, type Build, type Setting } from "#core/log/schema.ts";
import { mergeBoxes } from "#core/rig/box-table.ts";
import { BoxForm, boxTexts, type BoxTexts } from "./form.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { type ActionProblem } from "#app/journal/save.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { Drilled, Families } from "./OtherJets.tsx";
import { Drawers } from "./Drawers.tsx";
import { BoxFiles } from "./BoxFiles.tsx";

export interface BoxEditorProps {
  readonly build: Build;
  readonly fitted: Setting;
  readonly card: Setting;
  readonly seen: string;
  /** the box entry last saved here, once the book shows it */
  readonly saved: string;
  readonly answer: ActionProblem | undefined;
}

export function BoxEditor({ build, fitted, card, seen, saved, answer }: BoxEditorProps) {
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const form = useForm<BoxTexts, unknown, Box>({
    resolver: zodResolver(BoxForm),
    defaultValues: boxTexts(build.box),
    mode: "onTouched",
  });
  const sent = useRef("");
  const save = (box: Box) => {
    sent.current = JSON.stringify(form.getValues());
    void submit(JSON.stringify({ box, seen }), { method: "post", encType: "application/json" });
  };
  // What was saved is shown as it was understood, in place: what was opened or typed meanwhile stays.
  useEffect(() => {
    if (saved !== "" && JSON.stringify(form.getValues()) === sent.current) form.reset(boxTexts(build.box));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once a save, not at each change of the build
  }, [saved]);
  const add = (box: Box) => {
    const typed = BoxForm.safeParse(form.getValues());
    form.reset(boxTexts(mergeBoxes(typed.success ? typed.data : build.box, box)), {
      keepDefaultValues: true,
    });
  };
  return (
    <FormProvider {...form}>
      <Drawers build={build} fitted={fitted} card={card} />
      <BoxFiles onBox={add} saved={saved} />
      <form className="stack wide" noValidate onSubmit={(event) => void form.handleSubmit(save)(event)}>
        <section className="stack">
          <FormField<BoxTexts> name="mains" label="Main jets" />
          <FormField<BoxTexts> name="pilots" label="Pilot jets" />
          <FormField<BoxTexts>
            name="shimsMm"
            label="Washers and shims under the clip, mm"
            hint="Empty if there are none."
          />
        </section>
        <Drilled />
        <Families />
        <Problem message={answer?.message} />
        <div className="row save">
          <Button type="submit" variant="contained" disabled={saving}>
            {saving ? "Saving…" : "Save the box"}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

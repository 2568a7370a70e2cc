import { FormProvider } from "react-hook-form";
import { Box, type Build, type Setting } from "#core/log/schema.ts";
import { mergeBoxes } from "#core/rig/box-table.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { BoxFiles } from "./BoxFiles.tsx";
import { Drawers } from "./Drawers.tsx";
import { BoxForm, boxTexts, type BoxTexts } from "./form.ts";
import { Drilled, Families } from "./OtherJets.tsx";

export interface BoxEditorProps {
  readonly build: Build;
  readonly fitted: Setting;
  readonly card: Setting;
}

export function BoxEditor({ build, fitted, card }: BoxEditorProps) {
  const form = useRigForm("box", BoxForm, boxTexts(build.box), {
    on: "box",
    // What was saved is shown as it was understood.
    saved: (sent) => boxTexts(BoxForm.parse(sent)),
  });
  const { methods, answer } = form;
  const add = (box: Box) => {
    const typed = BoxForm.safeParse(methods.getValues());
    methods.reset(boxTexts(mergeBoxes(typed.success ? typed.data : build.box, box)), {
      keepDefaultValues: true,
    });
  };
  return (
    <>
      <FormProvider {...methods}>
        <Drawers build={build} fitted={fitted} card={card} />
      </FormProvider>
      <BoxFiles onBox={add} saved={answer?.logged?.[0] ?? ""} />
      <RigFields form={form} saves="Save the box">
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
      </RigFields>
    </>
  );
}

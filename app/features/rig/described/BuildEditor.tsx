import { zodResolver } from "@hookform/resolvers/zod";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { FormProvider, useForm } from "react-hook-form";
import type { Build } from "#core/log/schema.ts";
import { BuildForm } from "./form.ts";
import { buildTexts, type BuildTexts } from "./texts.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { CarburettorsEditor } from "./CarburettorsEditor.tsx";
import { BaselineSection, MachineSection, PlugSection, RidingSection, RulesSection } from "./sections.tsx";

interface BuildEditorProps {
  readonly start: Build;
  readonly saveWords: string;
  readonly saving: boolean;
  readonly onSave: (build: Build) => void;
  /** what stands below the fields */
  readonly after?: ReactNode;
}

/** The rig as a form: every number of it, checked as a whole by the model before it is saved. */
export function BuildEditor({ start, saveWords, saving, onSave, after }: BuildEditorProps) {
  const form = useForm<BuildTexts, unknown, Build>({
    resolver: zodResolver(BuildForm),
    defaultValues: buildTexts(start),
    mode: "onTouched",
  });
  const wrong = Object.keys(form.formState.errors).length > 0 && form.formState.isSubmitted;
  return (
    <FormProvider {...form}>
      <form className="stack wider" noValidate onSubmit={(event) => void form.handleSubmit(onSave)(event)}>
        <MachineSection />
        <CarburettorsEditor start={start} />
        <BaselineSection />
        <PlugSection />
        <RulesSection />
        <RidingSection />
        {after}
        {wrong && (
          <Caution grave>
            Something above cannot be; it is marked at its field. Nothing was saved, and nothing typed is
            lost.
          </Caution>
        )}
        <div className="row save">
          <Button type="submit" variant="contained" disabled={saving}>
            {saving ? "Saving…" : saveWords}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

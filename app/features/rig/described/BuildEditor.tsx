import { zodResolver } from "@hookform/resolvers/zod";
import Button from "@mui/material/Button";
import { useEffect, useRef, type ReactNode } from "react";
import { FormProvider, useForm } from "react-hook-form";
import type { Build } from "#core/log/schema.ts";
import { FoldedContext, useFolding } from "./folded.ts";
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

const sectionsOf = (form: HTMLElement | null): HTMLElement[] => [
  ...(form?.querySelectorAll<HTMLElement>("[data-section]") ?? []),
];
const namesOf = (sections: readonly HTMLElement[]): string[] =>
  sections.map(({ dataset }) => dataset["section"] ?? "");

/** The rig as a form: every number of it, checked as a whole by the model before it is saved. */
export function BuildEditor({ start, saveWords, saving, onSave, after }: BuildEditorProps) {
  const form = useForm<BuildTexts, unknown, Build>({
    resolver: zodResolver(BuildForm),
    defaultValues: buildTexts(start),
    mode: "onTouched",
    // What is wrong may lie folded: it is opened first.
    shouldFocusError: false,
  });
  const { errors, isSubmitted, submitCount } = form.formState;
  const wrong = Object.keys(errors).length > 0 && isSubmitted;
  const { folded, unfold, foldAll, someOpen } = useFolding();
  const place = useRef<HTMLFormElement>(null);
  useEffect(() => {
    if (submitCount === 0) return;
    const invalid = place.current?.querySelector<HTMLElement>("[aria-invalid='true']");
    if (!invalid) return;
    unfold(namesOf(sectionsOf(place.current).filter((one) => one.querySelector("[aria-invalid='true']"))));
    requestAnimationFrame(() => invalid.focus());
  }, [submitCount, unfold]);
  return (
    <FormProvider {...form}>
      <FoldedContext value={folded}>
        <form
          className="stack"
          noValidate
          ref={place}
          onSubmit={(event) => void form.handleSubmit(onSave)(event)}
        >
          <Button
            variant="outlined"
            className="start"
            onClick={() => (someOpen ? foldAll() : unfold(namesOf(sectionsOf(place.current))))}
          >
            {someOpen ? "Fold all" : "Open all"}
          </Button>
          <div>
            <MachineSection />
            <CarburettorsEditor start={start} />
            <BaselineSection />
            <PlugSection />
            <RulesSection />
            <RidingSection />
          </div>
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
      </FoldedContext>
    </FormProvider>
  );
}

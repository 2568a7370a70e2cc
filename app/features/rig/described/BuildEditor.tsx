import Button from "@mui/material/Button";
import { useEffect, useRef, type ReactNode } from "react";
import { Refusals } from "#app/ui/refusals.ts";
import { FormProvider } from "react-hook-form";
import { useSearchParams } from "react-router";
import type * as z from "zod/mini";
import type { Build } from "#core/log/schema.ts";
import { TypedBefore } from "#app/frame/RigFields.tsx";
import type { RigForm } from "#app/frame/use-rig-form.ts";
import { FoldedContext, useFolding } from "./folded.ts";
import type { DescribedForm, DescribedTexts } from "./form.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { CarburettorsEditor } from "./CarburettorsEditor.tsx";
import { BaselineSection, MachineSection, PlugSection, RidingSection, RulesSection } from "./sections.tsx";

type Described = z.output<typeof DescribedForm>;

interface BuildEditorProps {
  readonly start: Build;
  readonly form: RigForm<DescribedTexts, Described>;
  readonly saveWords: string;
  readonly onSave: (described: Described) => void;
  /** what stands below the fields */
  readonly after?: ReactNode;
}

const sectionsOf = (form: HTMLElement | null): HTMLElement[] => [
  ...(form?.querySelectorAll<HTMLElement>("[data-section]") ?? []),
];
const namesOf = (sections: readonly HTMLElement[]): string[] =>
  sections.map(({ dataset }) => dataset["section"] ?? "");

/** The rig as a form: every number of it, checked as a whole by the model before it is saved. */
export function BuildEditor({
  start,
  form: { methods: form, saving, offer, answer },
  saveWords,
  onSave,
  after,
}: BuildEditorProps) {
  const { errors, isSubmitted, submitCount } = form.formState;
  const wrong = Object.keys(errors).length > 0 && isSubmitted;
  const { folded, unfold, foldAll, someOpen } = useFolding(useSearchParams()[0].get("open"));
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
      <Refusals value={answer?.fields ?? {}}>
        <FoldedContext value={folded}>
          <form
            className="stack"
            noValidate
            ref={place}
            onSubmit={(event) => void form.handleSubmit(onSave)(event)}
          >
            {offer && <TypedBefore offer={offer} />}
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
                Something above is not possible; look for the marked field. Nothing was saved, and nothing you
                typed is lost.
              </Caution>
            )}
            <div className="row save">
              <Button type="submit" variant="contained" disabled={saving}>
                {saving ? "Saving…" : saveWords}
              </Button>
            </div>
          </form>
        </FoldedContext>
      </Refusals>
    </FormProvider>
  );
}

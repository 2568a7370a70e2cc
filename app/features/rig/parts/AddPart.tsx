/** A part measured and named: it begins as the one that is fitted. */
import { zodResolver } from "@hookform/resolvers/zod";
import Button from "@mui/material/Button";
import { useEffect } from "react";
import { FormProvider, useForm, useWatch } from "react-hook-form";
import type { BenchPart, BenchPartKind } from "#core/log/part-schema.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { FormField, FormPick } from "#app/ui/form-fields.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { PART_KIND_NAMES } from "#app/vocabulary/bench-parts.ts";
import { PartForm, partTexts, type PartTexts } from "./form.ts";
import { Measures } from "./Measures.tsx";
import { useSendPart } from "./route.tsx";

export function AddPart() {
  const { build, carburettor } = useRig();
  const one = buildOfCarburettor(build, carburettor);
  const form = useForm<PartTexts, unknown, BenchPart>({
    resolver: zodResolver(PartForm),
    defaultValues: partTexts(one),
    mode: "onTouched",
  });
  const kind = useWatch({ control: form.control, name: "kind" });
  const { send, answer, busy } = useSendPart();
  const vacuum = one.carburettor.slide.kind === "vacuum";
  const kinds = (Object.keys(PART_KIND_NAMES) as BenchPartKind[]).filter(
    (which) => which !== (vacuum ? "slide" : "slideSpring"),
  );
  // Only the name is taken back once it lies in the box: the next one is often much like it.
  useEffect(() => {
    if (answer?.saved) form.reset({ ...form.getValues(), name: "" });
  }, [answer, form]);
  return (
    <FormProvider {...form}>
      <form
        className="form"
        noValidate
        onSubmit={(event) =>
          void form.handleSubmit((part) => send({ intent: "add", part, carburettor }))(event)
        }
      >
        <h2>Another one for the box</h2>
        <div className="two">
          <FormPick<PartTexts>
            name="kind"
            label="What it is"
            options={kinds.map((which) => [which, PART_KIND_NAMES[which]])}
          />
          <FormField<PartTexts>
            name="name"
            label="Your name for it"
            most={60}
            problem={answer?.fields?.["name"]}
            hint="What is scratched on it, or where it lies."
          />
        </div>
        <Measures kind={kind} fields={answer?.fields ?? {}} />
        <Problem message={answer?.message} />
        <div className="row">
          <Button type="submit" variant="outlined" disabled={busy}>
            {busy ? "Saving…" : "Into the box"}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

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
import { MOST_NEEDLE_SIGNS } from "../needle-text.ts";
import { PartForm, partTexts, type PartTexts } from "./form.ts";
import { useSendPart } from "./route.tsx";

/** Each kind's own fields; a vacuum slide has no cutaway, a manual one no spring that sets the mixture. */
function Measures({ kind, fields }: { kind: BenchPartKind; fields: Readonly<Record<string, string>> }) {
  switch (kind) {
    case "needle":
      return (
        <>
          <FormField<PartTexts>
            name="profile"
            label="Along the needle, and its thickness: a row a point"
            multiline
            minRows={4}
            maxRows={12}
            most={MOST_NEEDLE_SIGNS}
            hint="Two columns from the groove’s end to the tip, in mm or inches. It begins as the fitted one: change what differs."
            problem={fields["profile"]}
          />
          <div className="two">
            <FormField<PartTexts> name="grooves" label="Grooves" keys="numeric" />
            <FormField<PartTexts> name="groovePitchMm" label="Groove to groove" unit="mm" keys="decimal" />
            <FormField<PartTexts> name="referenceClip" label="Measured in groove" keys="numeric" />
          </div>
        </>
      );
    case "needleJet":
      return (
        <FormField<PartTexts>
          name="needleJetMm"
          label="Bore"
          unit="mm"
          keys="decimal"
          problem={fields["needleJetMm"]}
          hint="By a pin gauge or a drill’s shank; the metal is soft."
        />
      );
    case "slide":
      return (
        <FormField<PartTexts>
          name="cutawayMm"
          label="Cutaway"
          unit="mm"
          keys="decimal"
          problem={fields["cutawayMm"]}
        />
      );
    case "airJet":
      return (
        <div className="two">
          <FormPick<PartTexts>
            name="path"
            label="Air jet of the"
            options={[
              ["main", "Main (high)"],
              ["pilot", "Pilot (low)"],
            ]}
          />
          <FormField<PartTexts>
            name="holeMm"
            label="Hole"
            unit="mm"
            keys="decimal"
            problem={fields["holeMm"]}
            hint="A main air jet does nothing behind an undrilled emulsion tube."
          />
        </div>
      );
    case "emulsionTube":
      return (
        <FormPick<PartTexts>
          name="drilled"
          label="Emulsion tube"
          options={[
            ["yes", "Drilled"],
            ["no", "Undrilled"],
          ]}
          problem={fields["drilled"]}
        />
      );
    case "slideSpring":
      return (
        <FormField<PartTexts>
          name="depressionPa"
          label="The slide is lifted by"
          unit="Pa"
          keys="decimal"
          problem={fields["depressionPa"]}
          hint="Weight of slide and spring over the diaphragm’s area: 2200 Pa is usual."
        />
      );
  }
}

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

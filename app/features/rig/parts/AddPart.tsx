/** A part measured and named: it begins as the one that is fitted. */
import { useWatch } from "react-hook-form";
import type { BenchPartKind } from "#core/log/part-schema.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { FormField, FormPick } from "#app/ui/form-fields.tsx";
import { PART_KIND_NAMES } from "#app/vocabulary/bench-parts.ts";
import { partTexts } from "./form.ts";
import { Measures } from "./Measures.tsx";
import { ADDED, AddForm, type AddTexts } from "./sent.ts";

export function AddPart() {
  const { build, carburettor } = useRig();
  const one = buildOfCarburettor(build, carburettor);
  const start: AddTexts = { intent: "add", part: partTexts(one), carburettor };
  const form = useRigForm(ADDED, AddForm, start, {
    on: "box",
    // Only the name is taken back once it lies in the box: the next one is often much like it.
    saved: (sent) => ({ ...sent, part: { ...sent.part, name: "" } }),
  });
  const kind = useWatch({ control: form.methods.control, name: "part.kind" });
  const vacuum = one.carburettor.slide.kind === "vacuum";
  const kinds = (Object.keys(PART_KIND_NAMES) as BenchPartKind[]).filter(
    (which) => which !== (vacuum ? "slide" : "slideSpring"),
  );
  return (
    <RigFields form={form} saves="Into the box">
      <h2>Another one for the box</h2>
      <div className="two">
        <FormPick<AddTexts>
          name="part.kind"
          label="What it is"
          options={kinds.map((which) => [which, PART_KIND_NAMES[which]])}
        />
        <FormField<AddTexts>
          name="part.name"
          label="Your name for it"
          most={60}
          hint="What is scratched on it, or where you keep it."
        />
      </div>
      <Measures kind={kind} />
    </RigFields>
  );
}

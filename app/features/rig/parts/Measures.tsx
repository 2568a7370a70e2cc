/** What is measured of each kind of part. */
import type { BenchPartKind } from "#core/log/part-schema.ts";
import { FormField, FormPick } from "#app/ui/form-fields.tsx";
import { MOST_NEEDLE_SIGNS } from "../needle-text.ts";
import type { AddTexts } from "./sent.ts";

export function Measures({ kind }: { readonly kind: BenchPartKind }) {
  switch (kind) {
    case "needle":
      return (
        <>
          <FormField<AddTexts>
            name="part.profile"
            label="Along the needle, and its thickness: a row a point"
            multiline
            minRows={4}
            maxRows={12}
            most={MOST_NEEDLE_SIGNS}
            hint="Two columns from the groove’s end to the tip, in mm or inches. It begins as the fitted one: change what differs."
          />
          <div className="two">
            <FormField<AddTexts> name="part.grooves" label="Grooves" keys="numeric" />
            <FormField<AddTexts>
              name="part.groovePitchMm"
              label="Groove to groove"
              unit="mm"
              keys="decimal"
            />
            <FormField<AddTexts> name="part.referenceClip" label="Measured in groove" keys="numeric" />
          </div>
        </>
      );
    case "needleJet":
      return (
        <FormField<AddTexts>
          name="part.needleJetMm"
          label="Bore"
          unit="mm"
          keys="decimal"
          hint="By a pin gauge or a drill’s shank; the metal is soft."
        />
      );
    case "slide":
      return <FormField<AddTexts> name="part.cutawayMm" label="Cutaway" unit="mm" keys="decimal" />;
    case "airJet":
      return (
        <div className="two">
          <FormPick<AddTexts>
            name="part.path"
            label="Air jet of the"
            options={[
              ["main", "Main (high)"],
              ["pilot", "Pilot (low)"],
            ]}
          />
          <FormField<AddTexts>
            name="part.holeMm"
            label="Hole"
            unit="mm"
            keys="decimal"
            hint="A main air jet does nothing behind an undrilled emulsion tube."
          />
        </div>
      );
    case "emulsionTube":
      return (
        <FormPick<AddTexts>
          name="part.drilled"
          label="Emulsion tube"
          options={[
            ["yes", "Drilled"],
            ["no", "Undrilled"],
          ]}
        />
      );
    case "slideSpring":
      return (
        <FormField<AddTexts>
          name="part.depressionPa"
          label="The slide is lifted by"
          unit="Pa"
          keys="decimal"
          hint="Weight of slide and spring over the diaphragm’s area: 2200 Pa is usual."
        />
      );
  }
}

/** What is measured of each kind of part. */
import type { BenchPartKind } from "#core/log/part-schema.ts";
import { FormField, FormPick } from "#app/ui/form-fields.tsx";
import { MOST_NEEDLE_SIGNS } from "../needle-text.ts";
import type { PartTexts } from "./form.ts";

interface MeasuresProps {
  readonly kind: BenchPartKind;
  /** what was refused, by field */
  readonly fields: Readonly<Record<string, string>>;
}

export function Measures({ kind, fields }: MeasuresProps) {
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

import type { Proven } from "#core/log/schema.ts";
import type { LookTexts } from "./form.ts";
import { useKind } from "./use-kind.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { PROVEN_WORDS } from "#app/vocabulary/proven.ts";

const HOW = ["ranWell", "measured", "book"] as const satisfies readonly Proven[];

/** "This was right here, in this air": what is fitted counts as a baseline of its own from now on. */
export function ProvenFields() {
  const { typed, type } = useKind("proven");
  return (
    <>
      <Choice
        label="How it is known"
        value={typed.how}
        options={HOW.map((value) => ({
          value,
          text: PROVEN_WORDS[value].name,
          note: PROVEN_WORDS[value].note,
        }))}
        onChange={(how) => type({ how })}
      />
      <FormField<LookTexts> label="Note" name="proven.note" most={500} />
      <p className="quiet flush">
        We then take what is fitted now, in the air you read last, as right all along the throttle.
      </p>
    </>
  );
}

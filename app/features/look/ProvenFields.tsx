import { useState } from "react";
import type { Proven } from "#core/log/schema.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { PROVEN_WORDS } from "#app/vocabulary/proven.ts";

const HOW = ["ranWell", "measured", "book"] as const satisfies readonly Proven[];

/** "This was right here, in this air": what is fitted counts as a baseline of its own from now on. */
export function ProvenFields({ problem }: { problem: string | undefined }) {
  const [how, setHow] = useState<(typeof HOW)[number]>("ranWell");
  return (
    <>
      <input type="hidden" name="how" value={how} />
      <Choice
        label="How it is known"
        value={how}
        options={HOW.map((value) => ({
          value,
          text: PROVEN_WORDS[value].name,
          note: PROVEN_WORDS[value].note,
        }))}
        onChange={setHow}
      />
      <TypedField label="Note" name="note" most={500} problem={problem} />
      <p className="quiet flush">
        What is fitted now, in the air that was read last, is taken as right all along the throttle: as surely
        as it is known.
      </p>
    </>
  );
}

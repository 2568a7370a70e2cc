/** A line of one's own in the log. */
import * as z from "zod/mini";
import { RigFields } from "#app/frame/RigFields.tsx";
import { NOTE, NoteText } from "#app/frame/note.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { FormField } from "#app/ui/form-fields.tsx";

const Note = z.object({ intent: z.literal("note"), text: NoteText });
const EMPTY = { intent: "note", text: "" } as const;

export function NoteForm() {
  const { header } = useRig();
  const form = useRigForm(NOTE, Note, EMPTY, { action: `/rigs/${header.id}`, saved: () => EMPTY });
  return (
    <RigFields form={form} saves="Add note" inline="no-print">
      <FormField name="text" label="Note" most={2000} />
    </RigFields>
  );
}

import { Controller } from "react-hook-form";
import { FormField } from "#app/ui/form-fields.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { rigAction, toToday } from "#app/journal/rig-action.ts";
import { WorkPick } from "../WorkPick.tsx";
import { WorkForm } from "./form.ts";

export const clientAction = rigAction({
  codec: WorkForm,
  form: "work",
  entries: (sent) => [{ kind: "work", ...sent }],
  then: toToday,
});

export default function WorkRoute() {
  const form = useRigForm("work", WorkForm, { what: "allCleaned", why: "" });
  return (
    <div className="stack">
      <div>
        <h1>What was done to it?</h1>
        <p className="lead quiet">
          Cleaned, replaced, drilled, another pipe. Only what this work touches becomes uncertain again; the
          rest stays as learnt.
        </p>
      </div>
      <RigFields form={form} saves="Log this work">
        <Controller
          control={form.methods.control}
          name="what"
          render={({ field: { value, onChange } }) => <WorkPick value={value} onChange={onChange} />}
        />
        <FormField name="why" label="Words for the log" most={2000} />
        <Caution>
          Rubber out before solvent; eye protection with compressed air; no wire through a drilling.
        </Caution>
      </RigFields>
    </div>
  );
}

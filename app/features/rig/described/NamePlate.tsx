import { useWatch } from "react-hook-form";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { FaceForm } from "./face.ts";

export function NamePlate() {
  const { header } = useRig();
  const form = useRigForm(
    "face",
    FaceForm,
    { name: header.name, plate: header.plate },
    { action: "../face" },
  );
  const [name, plate] = useWatch({ control: form.methods.control, name: ["name", "plate"] });
  const same = name === header.name && plate === header.plate;
  return (
    <RigFields form={form} saves={!same && "Call it so"} inline="">
      <FormField name="name" label="Name" most={60} />
      <FormField name="plate" label="Number plate" hint="Its face in the paddock." most={4} />
    </RigFields>
  );
}

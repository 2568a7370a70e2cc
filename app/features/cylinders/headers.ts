import { rigAction } from "#app/journal/rig-action.ts";
import { headersForm } from "./form.ts";

export const clientAction = rigAction({
  codec: ({ rig, preferences }) => headersForm(rig.build, preferences.temperature),
  form: "headers",
  entries: (contents) => contents,
});

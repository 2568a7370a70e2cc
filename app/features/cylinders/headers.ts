import { rigAction, shownAt } from "#app/journal/rig-action.ts";
import { headersForm } from "./form.ts";

export const clientLoader = shownAt("cylinders");

export const clientAction = rigAction({
  codec: ({ rig, preferences }) => headersForm(rig.build, preferences.temperature),
  form: "headers",
  entries: (contents) => contents,
});

/** What the rig is called in the paddock: no part of its log. */
import * as z from "zod/mini";
import { rigAction, shownAt } from "#app/journal/rig-action.ts";
import { renameRig } from "#app/store/rig-log.ts";

export const FaceForm = z.object({
  name: z.string().check(z.trim(), z.minLength(1, "Give it a name, such as 250 enduro."), z.maxLength(60)),
  plate: z.string().check(z.trim(), z.minLength(1, "Give it a number of one to four signs."), z.maxLength(4)),
});

export const clientLoader = shownAt("build");

export const clientAction = rigAction({
  codec: FaceForm,
  form: "face",
  entries: () => [],
  log: async (face, _, { params: { rigId = "" } }) => {
    const kept = await renameRig(rigId, face);
    return kept.ok
      ? { ok: true, ids: [] }
      : { ok: false, problem: { message: kept.problem.message }, status: 507 };
  },
});

/** A look as the screen sends it, for tests. */
import { NOTHING_TOLD } from "#app/frame/FeltRows.tsx";
import type { HowName } from "#app/frame/look-query.ts";

export const typedLook = (type: HowName, typed: object, more: object = {}) => ({
  type,
  zone: "top",
  instrument: "",
  felt: NOTHING_TOLD,
  [type]: typed,
  ...more,
});

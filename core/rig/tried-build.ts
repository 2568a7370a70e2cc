/** A build with another part or fuel, for what-if trials. */
import type { Build } from "../log/schema.ts";
import type { TrialAsked } from "../log/trial-asked.ts";
import { carburettorWith } from "./bench-part.ts";

/**
 * @returns the same machine with what is tried; a part it has not (the cutaway of a vacuum slide) stays out
 * @example another needle jet leaves needle, slide and baseline as they are
 */
export function triedBuild(
  build: Build,
  { fuel, needleJetMm, thickerMm = 0, cutawayMm, parts = [] }: Omit<TrialAsked, "setting" | "air">,
): Build {
  const carburettor = parts.reduce(carburettorWith, build.carburettor);
  const { needle, slide } = carburettor;
  const profile = needle.profile.map(({ alongMm, diameterMm }) => ({
    alongMm,
    diameterMm: Number((diameterMm + thickerMm).toFixed(4)),
  }));
  return {
    ...build,
    fuel: fuel ?? build.fuel,
    carburettor: {
      ...carburettor,
      needleJetMm: needleJetMm ?? carburettor.needleJetMm,
      needle: { ...needle, profile: thickerMm === 0 ? needle.profile : profile },
      slide: slide.kind === "manual" && cutawayMm !== undefined ? { ...slide, cutawayMm } : slide,
    },
  };
}

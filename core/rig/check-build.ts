/** Refuses a build that no real machine can be, before it gets into the log. */
import { buildModel, feedAt, pointAt } from "../carburettor/model.ts";
import type { Build } from "../log/schema.ts";
import { rigFromBuild } from "./from-build.ts";

/**
 * @returns nothing when the model accepts the build at every opening and every groove
 * @throws {RangeError} with name, rule and value of the first thing that cannot be
 */
export function checkBuild(build: Build): void {
  const { needle, needleJetMm } = build.carburettor;
  for (const { diameterMm } of needle.profile)
    if (!(diameterMm < needleJetMm))
      throw new RangeError(
        `needle must be thinner than its jet (${needleJetMm} mm) all along, got ${diameterMm} mm`,
      );
  const { screwWindow } = build;
  if (screwWindow.kind === "fixed" && !(screwWindow.from < screwWindow.to))
    throw new RangeError(
      `screw window must run from fewer turns to more, got ${screwWindow.from} to ${screwWindow.to}`,
    );
  if (!Object.values(build.usage).some((share) => share > 0))
    throw new RangeError("usage must give at least one zone a share above 0, got none");
  const rig = rigFromBuild(build);
  const model = buildModel(rig);
  for (const throttle of [0, 0.5, 1])
    feedAt(model, rig.baseline.setting, pointAt(rig, rig.baseline.air, throttle));
}

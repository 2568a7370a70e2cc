/** Refuses a build that no real machine can be, before it gets into the log. */
import type { Build } from "../log/schema.ts";
import { checkSettingOn } from "./check-setting.ts";

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
  checkSettingOn(build, build.baseline.setting);
}

/** Validates a setting against its build. */
import { buildModel, feedAt, pointAt } from "../carburettor/model.ts";
import type { Build, Setting } from "../log/schema.ts";
import { rigFromBuild, settingFromLog } from "./from-build.ts";

/**
 * @returns nothing when the model can feed the engine with it at every opening
 * @throws {RangeError} e.g. for a groove that the needle does not have
 */
export function checkSettingOn(build: Build, setting: Setting): void {
  const rig = rigFromBuild(build);
  const model = buildModel(rig);
  for (const throttle of [0, 0.5, 1])
    feedAt(model, settingFromLog(setting), pointAt(rig, rig.baseline.air, throttle));
}

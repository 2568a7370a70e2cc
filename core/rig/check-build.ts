/** Validates a build by physical limits before it is logged. */
import { jetArea } from "../carburettor/jet.ts";
import type { Build } from "../log/schema.ts";
import { Refusal } from "../units/guard.ts";
import { buildOfCarburettor, carburettorCount } from "./carburettors.ts";
import { checkSettingOn } from "./check-setting.ts";
import { numberingFromLog } from "./from-build.ts";

/**
 * @returns nothing when the model accepts the build at every opening and every groove
 * @throws {RangeError} with name, rule and value of the first thing that cannot be
 */
export function checkBuild(build: Build): void {
  const count = carburettorCount(build);
  if (build.engine.cylinders % count !== 0)
    throw new Refusal(
      "carburettors",
      `must share the ${build.engine.cylinders} cylinders evenly`,
      `${count} carburettors`,
    );
  if (build.others && build.others.length !== count - 1)
    throw new Refusal(
      "carburettors",
      "must be described one by one or not at all",
      `${build.others.length + 1} of ${count}`,
    );
  for (let i = 0; i < count; i += 1) checkCarburettor(build, i);
}

/** Two readings of the same place with a micrometer may differ by this. */
const MICROMETER_MM = 0.02;

/** A needle that grows thicker towards its tip was measured from the wrong end, or once wrongly. */
function checkTaper(profile: Build["carburettor"]["needle"]["profile"]): void {
  for (const [i, { diameterMm }] of profile.entries()) {
    const before = profile[i - 1]?.diameterMm ?? diameterMm;
    if (diameterMm > before + MICROMETER_MM)
      throw new Refusal(
        "needle profile",
        "must not grow thicker towards its tip",
        `${before} then ${diameterMm} mm`,
      );
  }
}

/** The pilot jet feeds the idle, the main jet full throttle: the other way round the two were mixed up. */
function checkJetOrder({ carburettor, baseline }: Build): void {
  const { pilot, main } = baseline.setting;
  const pilotArea = jetArea(pilot, numberingFromLog(carburettor.pilotNumbering));
  const mainArea = jetArea(main, numberingFromLog(carburettor.mainNumbering));
  if (!(pilotArea < mainArea))
    throw new Refusal("pilot jet", "must be finer than the main jet", `${pilot} and ${main}`);
}

/**
 * @param index - of the carburettor, from 0
 * @returns nothing when the model accepts it on this machine
 * @throws {RangeError} with name, rule and value of the first thing that cannot be
 */
export function checkCarburettor(rig: Build, index: number): void {
  const build = buildOfCarburettor(rig, index);
  const { needle, needleJetMm } = build.carburettor;
  for (const { diameterMm } of needle.profile)
    if (!(diameterMm < needleJetMm))
      throw new Refusal(
        "needle",
        `must be thinner than its jet (${needleJetMm} mm) all along`,
        `${diameterMm} mm`,
      );
  const { screwWindow } = build;
  if (screwWindow.kind === "fixed" && !(screwWindow.from < screwWindow.to))
    throw new Refusal(
      "screw window",
      "must run from fewer turns to more",
      `${screwWindow.from} to ${screwWindow.to}`,
    );
  if (!Object.values(build.usage).some((share) => share > 0))
    throw new Refusal("usage", "must give at least one zone a share above 0", "none");
  const limit = build.engine.revLimitRpm;
  if (limit !== undefined && !(limit >= build.engine.peakRpm))
    throw new Refusal("rev limit", "must not lie below peak power", `${limit} rpm`);
  const range = build.rules?.floatMm;
  if (range && !(range.from <= range.to))
    throw new Refusal("float range", "must run from less to more", `${range.from} to ${range.to}`);
  checkSettingOn(build, build.baseline.setting);
  checkTaper(needle.profile);
  checkJetOrder(build);
}

/** `shift RIG.json`: how the mixture moves at each probe for listed settings and airs, and who feeds there. */
import * as z from "zod/mini";
import { standardPressure } from "#core/air/barometer.ts";
import { humidAir } from "#core/air/humid-air.ts";
import { prepareShift, shiftAt } from "#core/carburettor/mixture-shift.ts";
import { buildModel } from "#core/carburettor/model.ts";
import { PROBES, ZONES } from "#core/carburettor/zones.ts";
import { ethanolOfGrades } from "#core/log/migrations.ts";
import { Setting } from "#core/log/schema.ts";
import { ShiftFile } from "#core/log/shift-file.ts";
import { pathText } from "#core/log/path-text.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { rigFromBuild, settingFromLog } from "#core/rig/from-build.ts";
import { BadInput, readArguments, readInputFile } from "./input.ts";

function readShiftFile(path: string | undefined): z.infer<typeof ShiftFile> {
  const text = readInputFile(path, "shift");
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    throw new BadInput(`${path} is not JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
  if (typeof raw === "object" && raw !== null && "build" in raw) ethanolOfGrades(raw.build);
  const parsed = ShiftFile.safeParse(raw);
  if (parsed.success) return parsed.data;
  const [issue] = parsed.error.issues;
  throw new BadInput(`${path}: ${issue ? `${pathText(issue.path)}: ${issue.message}` : "cannot be read"}`);
}

const byZone = <T>(values: readonly T[]) => Object.fromEntries(ZONES.map((zone, i) => [zone, values[i]]));

/** @returns the table; @throws {BadInput | RangeError} on bad input */
export function shiftCommand(args: string[]): unknown {
  const { positionals } = readArguments(args, []);
  if (positionals.length > 1) throw new BadInput(`shift takes one file, got ${positionals.length}`);
  const { build, cases } = readShiftFile(positionals[0]);
  checkBuild(build);
  const model = buildModel(rigFromBuild(build));
  const throttles = ZONES.map((zone) => PROBES[zone]);
  const row = (name: string, change: object, air: typeof build.baseline.air) => {
    const setting = Setting.parse({ ...build.baseline.setting, ...change });
    const points = prepareShift(model, humidAir(air), throttles);
    const shifts = points.map((point) => shiftAt(model, settingFromLog(setting), point));
    return {
      name,
      setting,
      air,
      shiftPercent: byZone(shifts.map(({ shift }) => 100 * shift)),
      authority: byZone(shifts.map(({ authority }) => authority)),
    };
  };
  return {
    probes: PROBES,
    baseline: row("baseline", {}, build.baseline.air),
    cases: cases.map(({ name, setting, air }) => {
      if (air === undefined) return row(name, setting ?? {}, build.baseline.air);
      const { temperatureK, relativeHumidity } = air;
      const pressurePa = "pressurePa" in air ? air.pressurePa : standardPressure(air.elevationM);
      return row(name, setting ?? {}, { temperatureK, pressurePa, relativeHumidity });
    }),
  };
}

/** What a tuner says of a first rig, as typed and tapped; read by the steps and by the action. */
import * as z from "zod/mini";
import { standardPressure } from "#core/air/barometer.ts";
import { AirState } from "#core/log/build-schema.ts";
import { Build, Proven, Setting } from "#core/log/schema.ts";
import { LOOK_MEANS } from "#core/log/schools.ts";
import { usualSetting, type KnownOfRig } from "#core/rig/first-rig.ts";
import { STARTING_KINDS, startingBuild, type StartingKind } from "#core/rig/starting-builds.ts";
import { ELEVATION_DOMAIN_M } from "#core/units/domains.ts";
import { readQuantity } from "#core/units/quantity.ts";
import { typedNumber } from "#app/ui/typed.ts";
import { boundWords, noNumber } from "#app/vocabulary/bounds.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

const B = Build.shape;

export const Known = z.object({
  kind: z.enum(STARTING_KINDS),
  displacementCm3: z.string().check(z.maxLength(40)),
  boreMm: z.string().check(z.maxLength(40)),
  pilot: z.string().check(z.maxLength(40)),
  main: z.string().check(z.maxLength(40)),
  screwTurns: Setting.shape.screwTurns,
  clip: Setting.shape.clip,
  proven: Proven,
  airOf: z.enum(["standard", "today"]),
  temperature: z.string().check(z.maxLength(40)),
  elevation: z.string().check(z.maxLength(40)),
  means: z.array(z.enum(LOOK_MEANS)).check(z.maxLength(6)),
});
export type Known = z.infer<typeof Known>;
export type KnownField = "displacementCm3" | "boreMm" | "pilot" | "main" | "temperature" | "elevation";

/** The fields that each step asks for. */
export const STEP_FIELDS = {
  kind: [],
  size: ["displacementCm3", "boreMm"],
  inside: ["pilot", "main"],
  right: [],
  air: ["temperature", "elevation"],
  means: [],
} as const satisfies Record<string, readonly KnownField[]>;
export type Step = keyof typeof STEP_FIELDS;
export const STEPS = Object.keys(STEP_FIELDS) as Step[];

/** @returns what such a machine usually is: it stands in the fields until it is typed over */
export function usualKnown(kind: StartingKind): Known {
  const { engine, carburettor } = startingBuild(kind);
  const { pilot, main, screwTurns, clip } = usualSetting(kind, carburettor.boreMm);
  return {
    kind,
    displacementCm3: String(engine.displacementCm3),
    boreMm: String(carburettor.boreMm),
    pilot: String(pilot),
    main: String(main),
    screwTurns,
    clip,
    proven: "ranWell",
    airOf: "standard",
    temperature: "",
    elevation: "",
    means: [],
  };
}

/** Another size asks for other jets, as long as nobody has typed his own. */
export function sized(before: Known, change: Partial<Known>): Known {
  const next = { ...before, ...change };
  const bore = z.safeDecode(typedNumber(B.carburettor.shape.boreMm), next.boreMm);
  if (change.boreMm === undefined || !bore.success) return next;
  const was = z.safeDecode(typedNumber(B.carburettor.shape.boreMm), before.boreMm);
  const usual = usualSetting(
    before.kind,
    was.success ? was.data : startingBuild(before.kind).carburettor.boreMm,
  );
  const now = usualSetting(before.kind, bore.data);
  return {
    ...next,
    ...(before.pilot === String(usual.pilot) && { pilot: String(now.pilot) }),
    ...(before.main === String(usual.main) && { main: String(now.main) }),
  };
}

type Units = Pick<Preferences, "temperature" | "length">;
export type KnownRead =
  | { ok: true; known: KnownOfRig; elevationM: number | undefined }
  | { ok: false; fields: Partial<Record<KnownField, string>> };

/** @returns what was said, or what is wrong at which field */
export function readKnown(said: Known, units: Units): KnownRead {
  const fields: Partial<Record<KnownField, string>> = {};
  const number = (field: KnownField, record: z.ZodMiniNumber): number => {
    const read = z.safeDecode(typedNumber(record), said[field], { error: boundWords });
    if (!read.success) fields[field] = read.error.issues[0]?.message ?? noNumber(said[field]);
    return read.success ? read.data : NaN;
  };
  const displacementCm3 = number("displacementCm3", B.engine.shape.displacementCm3);
  const boreMm = number("boreMm", B.carburettor.shape.boreMm);
  const pilot = number("pilot", Setting.shape.pilot);
  const main = number("main", Setting.shape.main);
  if (pilot >= main) fields.pilot = "The pilot jet is the finer one: were the two mixed up?";
  let air: KnownOfRig["air"];
  let elevationM: number | undefined;
  if (said.airOf === "today") {
    const temperature = readQuantity("temperature", said.temperature, units.temperature);
    const height = readQuantity("length", said.elevation, units.length);
    elevationM = height.ok ? height.valueSI : NaN;
    const high = elevationM >= ELEVATION_DOMAIN_M.min && elevationM <= ELEVATION_DOMAIN_M.max;
    const parsed = AirState.safeParse({
      temperatureK: temperature.ok ? temperature.valueSI : NaN,
      pressurePa: high ? standardPressure(elevationM) : 101_325,
      relativeHumidity: 0.5,
    });
    if (!parsed.success)
      fields.temperature = `Type an air temperature in ${units.temperature} that an engine can run in.`;
    if (!high) fields.elevation = `The height above the sea in ${units.length}, below 5500 m.`;
    air = parsed.data;
  }
  if (Object.keys(fields).length > 0) return { ok: false, fields };
  const setting = { pilot, main, screwTurns: said.screwTurns, clip: said.clip, shimMm: 0 };
  return {
    ok: true,
    known: { kind: said.kind, displacementCm3, boreMm, setting, proven: said.proven, air },
    elevationM,
  };
}

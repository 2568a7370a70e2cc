/** The rig's form as a whole: its texts read, held against the record's schema, then against the model. */
import * as z from "zod/mini";
import { WorkNameSchema } from "#core/log/epochs.ts";
import { Build } from "#core/log/schema.ts";
import { carburettorCount } from "#core/rig/carburettors.ts";
import { checkBuild, checkCarburettor } from "#core/rig/check-build.ts";
import { refusalOf, type Refusal } from "#core/units/guard.ts";
import { readBuild, type BuildTexts } from "./texts.ts";
import { boundWords } from "#app/vocabulary/bounds.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

/** Where on the form the model's refusal belongs, by the field that it names. */
const MODEL_FIELDS: Readonly<Record<string, readonly string[]>> = {
  needle: ["carburettor", "needleJetMm"],
  "needle jet": ["carburettor", "needleJetMm"],
  "needle profile": ["carburettor", "needle", "profile", "0", "alongMm"],
  "pilot jet": ["baseline", "setting", "pilot"],
  "main jet": ["baseline", "setting", "main"],
  screw: ["baseline", "setting", "screwTurns"],
  shim: ["baseline", "setting", "shimMm"],
  "reference clip": ["carburettor", "needle", "referenceClip"],
  clip: ["baseline", "setting", "clip"],
  "screw window": ["screwWindow", "from"],
  usage: ["usage", "top"],
  "peak speed": ["engine", "peakRpm"],
  "rev limit": ["engine", "revLimitRpm"],
  carburettors: ["carburettors"],
  "float range": ["rules", "floatMm", "from"],
  "idle lift": ["carburettor", "slide", "idleLiftMm"],
  "rest lift": ["carburettor", "slide", "restLiftMm"],
  cutaway: ["carburettor", "slide", "cutawayMm"],
};
const ELSE = ["carburettor", "boreMm"] as const;

/** The second and later carburettors stand under `others`. */
function fieldOf({ field }: Refusal, carburettor: number): readonly string[] {
  const path = MODEL_FIELDS[field] ?? ELSE;
  if (carburettor === 0) return path;
  const other = ["others", String(carburettor - 1)];
  if (path[0] === "carburettor") return [...other, ...path];
  return path[0] === "baseline" ? [...other, ...path.slice(1)] : path;
}

function firstRefusal(build: Build): { refusal: Refusal; carburettor: number } | undefined {
  for (let carburettor = 0; carburettor < carburettorCount(build); carburettor += 1) {
    const refusal = refusalOf(() => checkCarburettor(build, carburettor));
    if (refusal) return { refusal, carburettor };
  }
  const refusal = refusalOf(() => checkBuild(build));
  return refusal && { refusal, carburettor: 0 };
}

function readTexts(texts: BuildTexts, ctx: z.core.ParsePayload): Build | undefined {
  const said = new Set<string>();
  const say = (path: readonly PropertyKey[], message: string) => {
    if (said.has(path.join("."))) return;
    said.add(path.join("."));
    sayIssue(ctx, message, path);
  };
  const read = readBuild(texts);
  const parsed = read.ok ? Build.safeParse(read.build, { error: boundWords }) : read;
  if (parsed.error) {
    for (const issue of parsed.error.issues) say(issue.path.map(String), issue.message);
    return undefined;
  }
  const refused = firstRefusal(parsed.data);
  if (refused)
    say(fieldOf(refused.refusal, refused.carburettor), `This cannot be: ${refused.refusal.message}.`);
  return refused ? undefined : parsed.data;
}

/** What is no form of a rig at all: no field of it would know what to say. */
const AnyTexts = <T extends BuildTexts>() =>
  z.custom<T>(
    (value) =>
      typeof value === "object" && value !== null && "others" in value && Array.isArray(value.others),
    "This cannot be read.",
  );

export const BuildForm = z.pipe(
  AnyTexts<BuildTexts>(),
  z.transform((texts, ctx): Build => readTexts(texts, ctx) ?? z.NEVER),
);

/** What the whole screen sends: the rig as it is typed, what was done to it, and what was only measured better. */
const Done = z.object({
  what: z.union([WorkNameSchema, z.literal("measured")]),
  why: z.string().check(z.maxLength(2000)),
  /** fields that were only measured better; the others that differ are other parts */
  corrects: z._default(z.array(z.string().check(z.maxLength(80))).check(z.maxLength(80)), []),
});
export type DescribedTexts = BuildTexts & z.input<typeof Done>;

export const DescribedForm = z.pipe(
  AnyTexts<DescribedTexts>(),
  z.transform((texts, ctx) => {
    const done = Done.safeParse(texts, { error: boundWords });
    for (const { path, message } of done.error?.issues ?? []) sayIssue(ctx, message, path);
    const build = readTexts(texts, ctx);
    return build && done.success ? { build, ...done.data } : z.NEVER;
  }),
);

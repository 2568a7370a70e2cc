/** The rig's form as a whole: its texts read, held against the record's schema, then against the model. */
import * as z from "zod/mini";
import { Build } from "#core/log/schema.ts";
import { carburettorCount } from "#core/rig/carburettors.ts";
import { checkBuild, checkCarburettor } from "#core/rig/check-build.ts";
import { readBuild, type BuildTexts } from "./texts.ts";
import { boundWords } from "#app/vocabulary/bounds.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

/** What the model's refusal is about, by the words it begins with. */
const MODEL_FIELDS: readonly (readonly [string, string[]])[] = [
  ["needle must be thinner", ["carburettor", "needleJetMm"]],
  ["needle profile", ["carburettor", "needle", "profile", "0", "alongMm"]],
  ["pilot jet must be finer", ["baseline", "setting", "pilot"]],
  ["reference clip", ["carburettor", "needle", "referenceClip"]],
  ["clip", ["baseline", "setting", "clip"]],
  ["screw window", ["screwWindow", "from"]],
  ["usage", ["usage", "top"]],
  ["peak speed", ["engine", "peakRpm"]],
  ["rev limit", ["engine", "revLimitRpm"]],
  ["carburettors", ["carburettors"]],
  ["float range", ["rules", "floatMm", "from"]],
  ["idle lift", ["carburettor", "slide", "idleLiftMm"]],
  ["rest lift", ["carburettor", "slide", "restLiftMm"]],
  ["cutaway", ["carburettor", "slide", "cutawayMm"]],
  ["idle depression", ["carburettor", "boreMm"]],
];

/** The second and later carburettors stand under `others`. */
function fieldOf(message: string, carburettor: number): string[] {
  const path = MODEL_FIELDS.find(([words]) => message.startsWith(words))?.[1] ?? ["carburettor", "boreMm"];
  if (carburettor === 0) return path;
  const other = ["others", String(carburettor - 1)];
  if (path[0] === "carburettor") return [...other, ...path];
  return path[0] === "baseline" ? [...other, ...path.slice(1)] : path;
}

const refusalOf = (check: () => void): string | undefined => {
  try {
    check();
    return undefined;
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
};

function firstRefusal(build: Build): { message: string; carburettor: number } | undefined {
  for (let carburettor = 0; carburettor < carburettorCount(build); carburettor += 1) {
    const message = refusalOf(() => checkCarburettor(build, carburettor));
    if (message !== undefined) return { message, carburettor };
  }
  const message = refusalOf(() => checkBuild(build));
  return message === undefined ? undefined : { message, carburettor: 0 };
}

export const BuildForm = z.pipe(
  z.custom<BuildTexts>((value) => typeof value === "object" && value !== null),
  z.transform((texts, ctx): Build => {
    const said = new Set<string>();
    const say = (path: PropertyKey[], message: string) => {
      if (said.has(path.join("."))) return;
      said.add(path.join("."));
      sayIssue(ctx, message, path);
    };
    const read = readBuild(texts);
    const parsed = read.ok ? Build.safeParse(read.build, { error: boundWords }) : read;
    if (parsed.error) {
      for (const issue of parsed.error.issues) say([...issue.path.map(String)], issue.message);
      return z.NEVER;
    }
    const build = parsed.data;
    const refusal = firstRefusal(build);
    if (!refusal) return build;
    say(fieldOf(refusal.message, refusal.carburettor), `This cannot be: ${refusal.message}.`);
    return z.NEVER;
  }),
);

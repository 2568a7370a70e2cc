/** A look as tapped and typed: a plug's tone, or a λ figure; used by the form and by its action. */
import * as z from "zod/mini";
import { ZONES } from "#core/carburettor/zones.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { PLUG_FINDINGS, TONES, ZoneName } from "#core/log/parts.ts";
import { LambdaReading } from "#core/log/readings/lambda.ts";
import { SYMPTOM_NAMES } from "#core/log/symptom-names.ts";
import { PlugReading, type Build, type Reading } from "#core/log/schema.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

const NotRead = "This look cannot be read. Nothing was saved.";

/** A hidden field that carries a small record, or nothing. */
const json = <T extends z.ZodMiniType>(schema: T) =>
  z.pipe(
    z.pipe(
      z._default(z.string(), ""),
      z.transform((text, ctx): unknown => {
        try {
          return text === "" ? undefined : JSON.parse(text);
        } catch {
          sayIssue(ctx, NotRead);
          return z.NEVER;
        }
      }),
    ),
    schema,
  );

const PlugTexts = z.object({
  type: z.literal("plug"),
  zone: ZoneName,
  tone: z.enum(TONES, "Choose the tone the porcelain has near its root."),
  cut: z.enum(["clean", "rolled", "unknown"]),
  colderSteps: z.coerce.number().check(z.int(), z.gte(-3), z.lte(3)),
  /** JSON, as the hidden fields carry it */
  places: json(PlugReading.shape.places),
  made: json(PlugReading.shape.made),
  used: z._default(z.enum(["", "yes"]), ""),
  photoSure: z.pipe(
    z.pipe(
      z._default(z.string(), ""),
      z.transform((text) => (text === "" ? undefined : Number(text))),
    ),
    z.optional(z.number().check(z.gte(0), z.lte(1))),
  ),
  /** names with spaces between them */
  findings: z.pipe(
    z.pipe(
      z._default(z.string(), ""),
      z.transform((text) => text.split(" ").filter((name) => name !== "")),
    ),
    z.array(z.enum(PLUG_FINDINGS)).check(z.maxLength(4)),
  ),
});
const SymptomTexts = z.object({
  type: z.literal("symptom"),
  zone: ZoneName,
  symptom: z.enum(SYMPTOM_NAMES, "Choose what it did."),
});
const LambdaTexts = z.object({
  type: z.literal("lambda"),
  zone: ZoneName,
  figure: z.string(),
  scale: z.enum(["lambda", "afr"]),
  sensor: z.enum(["inside", "openEnd"]),
  /** how long it was held, and to what: JSON; empty for a glance */
  held: json(LambdaReading.shape.logged),
});

/** What was not looked at is left out of the log. */
function plugReading(texts: z.infer<typeof PlugTexts>): Reading {
  const { findings, places, made, used, photoSure, ...plug } = texts;
  return {
    ...plug,
    ...(findings.length > 0 && { findings }),
    ...(places && Object.keys(places).length > 0 && { places }),
    ...(made && { made }),
    ...(used === "yes" && { used: true as const }),
    ...(photoSure !== undefined && { photoSure }),
  };
}

const LAMBDA = { min: 0.4, max: 2 };

type LambdaRead = { ok: true; lambda: number } | { ok: false; problem: string };

function readLambda(figure: string, scale: "lambda" | "afr", stoichiometric: number): LambdaRead {
  const read = readTypedNumber(figure);
  if (!read.ok)
    return {
      ok: false,
      problem: read.reason === "empty" ? "Type the figure the meter shows." : `“${figure}” is not a number.`,
    };
  const lambda = scale === "afr" ? read.value / stoichiometric : read.value;
  if (lambda >= LAMBDA.min && lambda <= LAMBDA.max) return { ok: true, lambda };
  const [low, high] = [LAMBDA.min, LAMBDA.max].map((x) =>
    (scale === "afr" ? x * stoichiometric : x).toFixed(1),
  );
  const other = scale === "afr" ? "λ" : "AFR";
  return { ok: false, problem: `Must be ${low} to ${high}; this is ${figure}. Did the meter show ${other}?` };
}

/** @param build - its fuel turns an air-fuel ratio into λ */
export function lookForm(build: Build) {
  const stoichiometric = fuelFromLog(build.fuel).stoichiometric;
  return z.pipe(
    z.discriminatedUnion("type", [PlugTexts, LambdaTexts, SymptomTexts]),
    z.transform((texts, ctx): Reading => {
      if (texts.type === "symptom") return texts;
      if (texts.type === "plug") {
        return plugReading(texts);
      }
      const { figure, scale, zone, sensor, held } = texts;
      const read = readLambda(figure, scale, stoichiometric);
      if (!read.ok) {
        sayIssue(ctx, read.problem, ["figure"]);
        return z.NEVER;
      }
      return {
        type: "lambda",
        zone,
        lambda: read.lambda,
        sensor,
        ...(held && { logged: held }),
      };
    }),
  );
}

/**
 * λ of the other zones that the same ride went through: on the same scale, by the same sensor; what was not held is
 * left empty.
 */
export function readAlong(
  texts: Readonly<Record<string, unknown>>,
  { zone: read, sensor }: Extract<Reading, { type: "lambda" }>,
  build: Build,
): { ok: true; readings: readonly Reading[] } | { ok: false; fields: Record<string, string> } {
  const { stoichiometric } = fuelFromLog(build.fuel);
  const scale = texts["scale"] === "afr" ? "afr" : "lambda";
  const fields: Record<string, string> = {};
  const readings = ZONES.flatMap((zone): Reading[] => {
    const text = texts[`along.${zone}`];
    if (zone === read || typeof text !== "string" || text.trim() === "") return [];
    const figure = readLambda(text, scale, stoichiometric);
    if (figure.ok) return [{ type: "lambda", zone, lambda: figure.lambda, sensor }];
    fields[`along.${zone}`] = figure.problem;
    return [];
  });
  return Object.keys(fields).length > 0 ? { ok: false, fields } : { ok: true, readings };
}

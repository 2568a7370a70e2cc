/** A look as tapped and typed: a plug's tone, or a λ figure; used by the form and by its action. */
import * as z from "zod";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { PLUG_FINDINGS, TONES, ZoneName } from "#core/log/parts.ts";
import { LambdaReading } from "#core/log/readings/lambda.ts";
import { SYMPTOM_NAMES } from "#core/log/symptom-names.ts";
import { PlugReading, type Build, type Reading } from "#core/log/schema.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";

const NotRead = "This look cannot be read. Nothing was saved.";

/** A hidden field that carries a small record, or nothing. */
const json = <T extends z.ZodType>(schema: T) =>
  z
    .string()
    .default("")
    .transform((text, ctx): unknown => {
      try {
        return text === "" ? undefined : JSON.parse(text);
      } catch {
        ctx.addIssue({ code: "custom", message: NotRead });
        return z.NEVER;
      }
    })
    .pipe(schema);

const PlugTexts = z.object({
  type: z.literal("plug"),
  zone: ZoneName,
  tone: z.enum(TONES, "Choose the tone the porcelain has near its root."),
  cut: z.enum(["clean", "rolled", "unknown"]),
  colderSteps: z.coerce.number().int().min(-3).max(3),
  /** JSON, as the hidden fields carry it */
  places: json(PlugReading.shape.places),
  made: json(PlugReading.shape.made),
  used: z.enum(["", "yes"]).default(""),
  photoSure: z
    .string()
    .default("")
    .transform((text) => (text === "" ? undefined : Number(text)))
    .pipe(z.number().min(0).max(1).optional()),
  /** names with spaces between them */
  findings: z
    .string()
    .default("")
    .transform((text) => text.split(" ").filter((name) => name !== ""))
    .pipe(z.array(z.enum(PLUG_FINDINGS)).max(4)),
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

function figureProblem(figure: string, scale: "lambda" | "afr", stoichiometric: number): string | undefined {
  const read = readTypedNumber(figure);
  if (!read.ok)
    return read.reason === "empty" ? "Type the figure the meter shows." : `“${figure}” is not a number.`;
  const lambda = scale === "afr" ? read.value / stoichiometric : read.value;
  if (lambda >= LAMBDA.min && lambda <= LAMBDA.max) return undefined;
  const [low, high] = [LAMBDA.min, LAMBDA.max].map((x) =>
    (scale === "afr" ? x * stoichiometric : x).toFixed(1),
  );
  const other = scale === "afr" ? "λ" : "AFR";
  return `Must be ${low} to ${high}; this is ${figure}. Did the meter show ${other}?`;
}

/** @param build - its fuel turns an air-fuel ratio into λ */
export function lookForm(build: Build) {
  const stoichiometric = fuelFromLog(build.fuel).stoichiometric;
  return z
    .discriminatedUnion("type", [PlugTexts, LambdaTexts, SymptomTexts])
    .transform((texts, ctx): Reading => {
      if (texts.type === "symptom") return texts;
      if (texts.type === "plug") {
        return plugReading(texts);
      }
      const { figure, scale, zone, sensor, held } = texts;
      const problem = figureProblem(figure, scale, stoichiometric);
      const read = readTypedNumber(figure);
      if (problem !== undefined || !read.ok) {
        ctx.addIssue({
          code: "custom",
          path: ["figure"],
          message: problem ?? "Type the figure the meter shows.",
        });
        return z.NEVER;
      }
      return {
        type: "lambda",
        zone,
        lambda: scale === "afr" ? read.value / stoichiometric : read.value,
        sensor,
        ...(held && { logged: held }),
      };
    });
}

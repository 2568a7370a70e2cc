/** A look as tapped and typed: a plug's tone, or a λ figure; used by the form and by its action. */
import * as z from "zod";
import { FUELS } from "#core/carburettor/fuel.ts";
import { PLUG_FINDINGS, TONES, ZoneName } from "#core/log/parts.ts";
import { SYMPTOM_NAMES } from "#core/log/symptom-names.ts";
import type { Build, Reading } from "#core/log/schema.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";

const PlugTexts = z.object({
  type: z.literal("plug"),
  zone: ZoneName,
  tone: z.enum(TONES, "Choose the tone the porcelain has near its root."),
  cut: z.enum(["clean", "rolled", "unknown"]),
  colderSteps: z.coerce.number().int().min(-3).max(3),
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
});

/** Air-fuel ratio of the fuel at λ = 1. */
export function stoichiometricOf(fuel: Build["fuel"]): number {
  return fuel.name === "other" ? fuel.stoichiometric : FUELS[fuel.name].stoichiometric;
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
  const stoichiometric = stoichiometricOf(build.fuel);
  return z
    .discriminatedUnion("type", [PlugTexts, LambdaTexts, SymptomTexts])
    .transform((texts, ctx): Reading => {
      if (texts.type === "symptom") return texts;
      if (texts.type === "plug") {
        const { findings, ...plug } = texts;
        return findings.length > 0 ? { ...plug, findings } : plug;
      }
      const { figure, scale, zone, sensor } = texts;
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
      };
    });
}

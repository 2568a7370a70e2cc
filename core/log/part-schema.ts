/** Schemas of spare parts that are swapped (needle, needle jet, slide, air jets). */
import * as z from "zod/mini";
import { mm, Words } from "./measures-schema.ts";

export const Needle = z.strictObject({
  profile: z
    .array(z.strictObject({ alongMm: mm(-5, 120), diameterMm: mm(0.3, 8) }))
    .check(z.minLength(2), z.maxLength(40)),
  grooves: z.int().check(z.gte(1), z.lte(20)),
  groovePitchMm: mm(0.1, 3),
  referenceClip: z.int().check(z.gte(1), z.lte(20)),
});
export type LoggedNeedle = z.infer<typeof Needle>;

export const NeedleJetMm = mm(0.5, 8);
export const CutawayMm = mm(0, 12);
export const AirJetMm = mm(0.1, 5);
export const SlideDepressionPa = z.number().check(z.gte(300), z.lte(10_000));

const part = <K extends string, S extends z.core.$ZodLooseShape>(kind: K, shape: S) =>
  z.strictObject({ kind: z.literal(kind), name: Words.check(z.minLength(1)), ...shape });

export const BenchPart = z.discriminatedUnion("kind", [
  part("needle", { needle: Needle }),
  part("needleJet", { needleJetMm: NeedleJetMm }),
  part("slide", { cutawayMm: CutawayMm }),
  part("airJet", { path: z.enum(["pilot", "main"]), holeMm: AirJetMm }),
  part("emulsionTube", { drilled: z.boolean() }),
  /** of a vacuum slide: the depression that it and the slide's weight are lifted by */
  part("slideSpring", { depressionPa: SlideDepressionPa }),
]);
export type BenchPart = z.infer<typeof BenchPart>;
export type BenchPartKind = BenchPart["kind"];

export const MOST_PARTS = 60;

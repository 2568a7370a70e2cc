/** A part as typed: which kind it is, the tuner's name for it, and its measures. */
import * as z from "zod/mini";
import { BenchPart, type BenchPartKind } from "#core/log/part-schema.ts";
import type { NeedlePoint } from "#core/rig/needle-table.ts";
import type { Build } from "#core/log/schema.ts";
import { typedNumber as n, yesOrNo } from "#app/ui/typed.ts";
import { boundWords } from "#app/vocabulary/bounds.ts";
import { needleText, readNeedleText } from "../needle-text.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

const [needle, needleJet, slide, airJet, tube, spring] = BenchPart.def.options;
const { grooves, groovePitchMm, referenceClip } = needle.shape.needle.shape;

const profile = z.codec(z.string(), z.custom<NeedlePoint[]>(), {
  decode: (text, { issues }) => {
    const read = readNeedleText(text);
    if (read.ok) return [...read.profile];
    issues.push({ code: "custom", input: text, message: `Row ${read.line}: ${read.problem}.` });
    return z.NEVER;
  },
  encode: needleText,
});

const { name } = needle.shape;
const FIELDS = {
  needle: z.object({
    name,
    profile,
    grooves: n(grooves),
    groovePitchMm: n(groovePitchMm),
    referenceClip: n(referenceClip),
  }),
  needleJet: z.object({ name, needleJetMm: n(needleJet.shape.needleJetMm) }),
  slide: z.object({ name, cutawayMm: n(slide.shape.cutawayMm) }),
  airJet: z.object({ name, path: airJet.shape.path, holeMm: n(airJet.shape.holeMm) }),
  emulsionTube: z.object({ name, drilled: z.pipe(yesOrNo, tube.shape.drilled) }),
  slideSpring: z.object({ name, depressionPa: n(spring.shape.depressionPa) }),
} satisfies Readonly<Record<BenchPartKind, z.ZodMiniObject>>;

export interface PartTexts {
  readonly kind: BenchPartKind;
  readonly name: string;
  readonly profile: string;
  readonly grooves: string;
  readonly groovePitchMm: string;
  readonly referenceClip: string;
  readonly needleJetMm: string;
  readonly cutawayMm: string;
  readonly path: "pilot" | "main";
  readonly holeMm: string;
  readonly drilled: string;
  readonly depressionPa: string;
}

/** Where what is wrong with the part itself is said. */
export const MEASURE_FIELD: Readonly<Record<BenchPartKind, keyof PartTexts>> = {
  needle: "profile",
  needleJet: "needleJetMm",
  slide: "cutawayMm",
  airJet: "holeMm",
  emulsionTube: "drilled",
  slideSpring: "depressionPa",
};

/** A part that is typed begins as the one that is fitted: mostly little is different. */
export function partTexts({ carburettor: c }: Pick<Build, "carburettor">): PartTexts {
  return {
    kind: "needle",
    name: "",
    profile: needleText(c.needle.profile),
    grooves: `${c.needle.grooves}`,
    groovePitchMm: `${c.needle.groovePitchMm}`,
    referenceClip: `${c.needle.referenceClip}`,
    needleJetMm: `${c.needleJetMm}`,
    cutawayMm: c.slide.kind === "manual" ? `${c.slide.cutawayMm}` : "",
    path: "main",
    holeMm: `${c.mainAirJetMm ?? ""}`,
    drilled: c.emulsionTubeDrilled ? "no" : "yes",
    depressionPa: c.slide.kind === "vacuum" ? `${c.slide.depressionPa}` : "",
  };
}

/** Needles keep their measures in a record of their own. */
function asPart(kind: BenchPartKind, read: Readonly<Record<string, unknown>>): unknown {
  if (kind !== "needle") return { kind, ...read };
  const { name: named, ...measures } = read;
  return { kind, name: named, needle: measures };
}

const isPart = (value: unknown): boolean =>
  typeof value === "object" && value !== null && Object.hasOwn(FIELDS, String(Reflect.get(value, "kind")));

export const PartForm = z.pipe(
  z.custom<PartTexts>(isPart, "This part cannot be read."),
  z.transform((texts, ctx): BenchPart => {
    const read = z.safeDecode(FIELDS[texts.kind], texts, { error: boundWords });
    const parsed = read.success
      ? BenchPart.safeParse(asPart(texts.kind, read.data), { error: boundWords })
      : read;
    if (parsed.success) return parsed.data;
    for (const { path, message } of parsed.error.issues) {
      const [first] = path;
      const at = first === "needle" ? [MEASURE_FIELD[texts.kind]] : path;
      sayIssue(ctx, message, at);
    }
    return z.NEVER;
  }),
);

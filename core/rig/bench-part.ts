/** Fits a spare part into a build: what changes, and which part comes out. */
import { Refusal } from "../units/guard.ts";
import type { BenchPart, BenchPartKind } from "../log/part-schema.ts";
import type { Box, Build, LoggedCarburettor } from "../log/schema.ts";
import { checkBuild } from "./check-build.ts";

/** A part that is changed takes the tuner this long, minutes: top off, or the whole carburettor off. */
export const PART_MINUTES: Readonly<Record<BenchPartKind, number>> = {
  needle: 20,
  slide: 20,
  slideSpring: 20,
  airJet: 30,
  emulsionTube: 40,
  needleJet: 40,
};

/**
 * @returns the carburettor with the part in it
 * @throws {RangeError} where this kind of carburettor has no such part
 */
export function carburettorWith(carburettor: LoggedCarburettor, part: BenchPart): LoggedCarburettor {
  const { slide } = carburettor;
  switch (part.kind) {
    case "needle":
      return { ...carburettor, needle: part.needle };
    case "needleJet":
      return { ...carburettor, needleJetMm: part.needleJetMm };
    case "slide":
      if (slide.kind !== "manual")
        throw new Refusal("a cutaway", "must be a manual slide’s", "a vacuum slide");
      return { ...carburettor, slide: { ...slide, cutawayMm: part.cutawayMm } };
    case "airJet":
      return part.path === "main"
        ? { ...carburettor, mainAirJetMm: part.holeMm }
        : { ...carburettor, pilotAirJetMm: part.holeMm };
    case "emulsionTube":
      return { ...carburettor, emulsionTubeDrilled: part.drilled };
    case "slideSpring":
      if (slide.kind !== "vacuum")
        throw new Refusal("a spring that sets the mixture", "must be a vacuum slide’s", "a manual slide");
      return { ...carburettor, slide: { ...slide, depressionPa: part.depressionPa } };
  }
}

/**
 * @param build - as one carburettor sees it
 * @returns the machine with the part in it, on paper
 * @throws {RangeError} as {@link carburettorWith}
 */
export const withPart = (build: Build, part: BenchPart): Build => ({
  ...build,
  carburettor: carburettorWith(build.carburettor, part),
});

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** @returns whether a part of these very measures is in */
export function isFitted({ carburettor }: Pick<Build, "carburettor">, part: BenchPart): boolean {
  try {
    return same(carburettorWith(carburettor, part), carburettor);
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
}

/** @returns what has to come out for a part, under a name; nothing where there was none */
export function partInPlaceOf(
  { needle, needleJetMm, slide, ...air }: LoggedCarburettor,
  part: BenchPart,
  name: string,
): BenchPart | undefined {
  switch (part.kind) {
    case "needle":
      return { kind: "needle", name, needle };
    case "needleJet":
      return { kind: "needleJet", name, needleJetMm };
    case "slide":
      return slide.kind === "manual" ? { kind: "slide", name, cutawayMm: slide.cutawayMm } : undefined;
    case "airJet": {
      const holeMm = part.path === "main" ? air.mainAirJetMm : air.pilotAirJetMm;
      return holeMm === undefined ? undefined : { kind: "airJet", name, path: part.path, holeMm };
    }
    case "emulsionTube":
      return { kind: "emulsionTube", name, drilled: air.emulsionTubeDrilled };
    case "slideSpring":
      return slide.kind === "vacuum"
        ? { kind: "slideSpring", name, depressionPa: slide.depressionPa }
        : undefined;
  }
}

/** Fields that a measured part answers for: they are no longer assumed. */
const MEASURES: Readonly<Record<BenchPartKind, RegExp>> = {
  needle: /^carburettor\.needle\./,
  needleJet: /^carburettor\.needleJetMm/,
  slide: /^carburettor\.slide\.cutawayMm/,
  airJet: /^carburettor\.(main|pilot)AirJetMm/,
  emulsionTube: /^carburettor\.emulsionTube/,
  slideSpring: /^carburettor\.slide\.depressionPa/,
};

const measuresOf = (part: BenchPart): BenchPart => ({ ...part, name: "" });

/** What came out lies in the box from now on, once. */
function boxWith(box: Box, taken: BenchPart | undefined): Box {
  const { parts = [] } = box;
  if (!taken || parts.some((one) => same(measuresOf(one), measuresOf(taken)))) return box;
  return { ...box, parts: [...parts, taken] };
}

/**
 * @param index - of the carburettor, from 0; all of them while they are described as alike
 * @param outName - what the part that comes out is called in the box, if it does not lie there already
 * @returns the machine with the part in it and the box with what came out
 * @throws {RangeError} if no such machine can be, in the model's words
 */
export function fitPart(rig: Build, index: number, part: BenchPart, outName: string): Build {
  const other = index === 0 ? undefined : rig.others?.[index - 1];
  const out = other?.carburettor ?? rig.carburettor;
  const into = carburettorWith(out, part);
  const box = boxWith(rig.box, partInPlaceOf(out, part, outName));
  const assumed = rig.assumed?.filter((path) => !MEASURES[part.kind].test(path));
  const fitted: Build = {
    ...rig,
    box,
    ...(other
      ? { others: rig.others?.map((one, i) => (i === index - 1 ? { ...one, carburettor: into } : one)) }
      : { carburettor: into, ...(assumed && { assumed }) }),
  };
  checkBuild(fitted);
  return fitted;
}

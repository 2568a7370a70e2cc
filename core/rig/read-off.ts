/** Applies a value read off a part: to the setting or to the build. */
import type { Part } from "../log/parts.ts";
import type { TeardownStep } from "../log/teardown-names.ts";
import type { Build } from "../log/schema.ts";

/** Steps whose number says what is fitted. */
const FITTED: Readonly<Partial<Record<TeardownStep, Part>>> = {
  screw: "screwTurns",
  clip: "clip",
  mainJet: "main",
  pilotJet: "pilot",
};

type Measured = "needleJetMm" | "pilotAirJetMm" | "mainAirJetMm" | "pumpBaseTurns";
/** Steps whose number is a measure of the carburettor. */
const MEASURED: Readonly<Partial<Record<TeardownStep, Measured>>> = {
  needleJet: "needleJetMm",
  pilotAirJet: "pilotAirJetMm",
  mainAirJet: "mainAirJetMm",
  pump: "pumpBaseTurns",
};

export const NUMBER_STEPS: readonly TeardownStep[] = [
  ...(Object.keys(FITTED) as TeardownStep[]),
  ...(Object.keys(MEASURED) as TeardownStep[]),
  "slide",
  "float",
];

export const fittedPart = (step: TeardownStep): Part | undefined => FITTED[step];

function confirmed(build: Build, path: string): Build {
  const { assumed, ...rest } = build;
  const left = (assumed ?? []).filter((one) => one !== path);
  return left.length > 0 ? { ...rest, assumed: left } : rest;
}

/**
 * @param value - as measured, mm (or turns for the pump)
 * @returns the build with that measure, confirmed; nothing where the step says nothing about the build, or
 *   says what stands there already
 */
export function buildReadOff(build: Build, step: TeardownStep, value: number): Build | undefined {
  const { carburettor } = build;
  if (step === "slide") {
    const { slide } = carburettor;
    if (slide.kind !== "manual") return undefined;
    const next = { ...carburettor, slide: { ...slide, cutawayMm: value } };
    return changed(build, confirmed({ ...build, carburettor: next }, "carburettor.slide.cutawayMm"));
  }
  const field = MEASURED[step];
  if (!field) return undefined;
  const next = { ...carburettor, [field]: value };
  return changed(build, confirmed({ ...build, carburettor: next }, `carburettor.${field}`));
}

/** @returns the build with the number stamped on its body, or nothing when it stands there already */
export const buildStamped = (build: Build, stamp: string): Build | undefined =>
  changed(build, { ...build, carburettor: { ...build.carburettor, stamp } });

const changed = (before: Build, after: Build): Build | undefined =>
  JSON.stringify(before) === JSON.stringify(after) ? undefined : after;

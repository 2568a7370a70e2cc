/** One assumed value measured: the build with it, confirmed. */
import type { Build } from "#core/log/schema.ts";
import { assumablePaths, type AssumedPath } from "#core/rig/assumed.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { shortest } from "#app/vocabulary/numerals.ts";
import { BuildForm } from "../described/form.ts";
import { buildTexts, type AirUnits, type BuildTexts } from "../described/texts.ts";
import { noNumber } from "#app/vocabulary/bounds.ts";

const PROFILE = "carburettor.needle.profile";

/** Puts a text where it belongs in a form's texts. */
function placed(texts: unknown, [key = "", ...rest]: readonly string[], text: string): unknown {
  const group = texts as Readonly<Record<string, unknown>>;
  return { ...group, [key]: rest.length === 0 ? text : placed(group[key], rest, text) };
}

/** The straight part says how much thicker or thinner the needle is all along. */
function withThickness(texts: BuildTexts, straightMm: number): BuildTexts {
  const { needle } = texts.carburettor;
  const numberIn = (text: string | undefined): number => {
    const read = readTypedNumber(text ?? "");
    return read.ok ? read.value : NaN;
  };
  const by = straightMm - numberIn(needle.profile[0]?.diameterMm);
  const profile = needle.profile.map(({ alongMm, diameterMm }) => ({
    alongMm,
    diameterMm: shortest(numberIn(diameterMm) + by, 3),
  }));
  return { ...texts, carburettor: { ...texts.carburettor, needle: { ...needle, profile } } };
}

/** @returns what stands in the field now, as typed */
export function textOf(build: Build, path: AssumedPath, units?: AirUnits): string {
  const texts = buildTexts(build, units);
  if (path === PROFILE) return texts.carburettor.needle.profile[0]?.diameterMm ?? "";
  const value = path.split(".").reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], texts);
  return typeof value === "string" ? value : "";
}

/** @returns the build with this value measured, or what is wrong with it */
export function withMeasured(
  build: Build,
  path: AssumedPath,
  text: string,
  units?: AirUnits,
): { ok: true; build: Build } | { ok: false; message: string } {
  if (!assumablePaths(build).includes(path))
    return { ok: false, message: "This rig has no such thing to measure." };
  const texts = buildTexts(build, units);
  const read = readTypedNumber(text);
  const next =
    path === PROFILE && read.ok
      ? withThickness(texts, read.value)
      : (placed(
          texts,
          path === PROFILE ? [...path.split("."), "0", "diameterMm"] : path.split("."),
          text,
        ) as BuildTexts);
  if (path === PROFILE && !read.ok) return { ok: false, message: noNumber(text) };
  const left = (build.assumed ?? []).filter((one) => one !== path);
  const parsed = BuildForm.safeParse({ ...next, assumed: left.join(" ") });
  return parsed.success
    ? { ok: true, build: parsed.data }
    : { ok: false, message: parsed.error.issues[0]?.message ?? "This cannot be." };
}

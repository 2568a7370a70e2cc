/**
 * Preserves unknown keys: a newer Tamis of the same log version may write fields that this one does not know. At
 * the doors of files and of storage such keys are kept as they came, and go out again with the next export; only
 * what a form sends is held to the letter.
 */
import type * as z from "zod/mini";
import { pathText } from "./path-text.ts";

type Path = readonly PropertyKey[];
interface Unknown {
  readonly path: Path;
  readonly key: string;
  readonly value: unknown;
}

export type Kept<T> =
  | {
      readonly ok: true;
      readonly data: T;
      /** where the keys stand that are not understood here, e.g. `rigs[0].entries[3].gust` */
      readonly unknown: readonly string[];
    }
  | { readonly ok: false; readonly error: z.core.$ZodError };

/** A key inside of an unknown one is shown by another pass only if that is a known object: a few are enough. */
const MOST_PASSES = 4;

const at = (root: unknown, path: Path): Record<string, unknown> =>
  path.reduce((value, key) => (value as Record<PropertyKey, unknown>)[key], root) as Record<string, unknown>;

/** @returns the keys that alone are to blame, or nothing where something else is wrong too */
function unknownKeys(error: z.core.$ZodError, root: unknown): Unknown[] | undefined {
  const found: Unknown[] = [];
  for (const issue of error.issues) {
    if (issue.code !== "unrecognized_keys") return undefined;
    const holder = at(root, issue.path);
    for (const key of issue.keys) found.push({ path: issue.path, key, value: holder[key] });
  }
  return found;
}

/**
 * @param schema - one that refuses unknown keys and moves nothing to another place
 * @param raw - parsed JSON
 * @returns what the schema makes of it, with the keys that it does not know where they stood; `raw` stays as it is
 */
export function parseKeeping<T>(schema: z.ZodMiniType<T>, raw: unknown): Kept<T> {
  let parsed = schema.safeParse(raw);
  if (parsed.success) return { ok: true, data: parsed.data, unknown: [] };
  const without: unknown = structuredCopy(raw);
  const unknown: Unknown[] = [];
  for (let pass = 0; !parsed.success && pass < MOST_PASSES; pass += 1) {
    const more = unknownKeys(parsed.error, without);
    if (!more || more.length === 0) break;
    for (const { path, key } of more) Reflect.deleteProperty(at(without, path), key);
    unknown.push(...more);
    parsed = schema.safeParse(without);
  }
  if (!parsed.success) return { ok: false, error: parsed.error };
  for (const { path, key, value } of unknown)
    Object.defineProperty(at(parsed.data, path), key, {
      value,
      enumerable: true,
      writable: true,
      configurable: true,
    });
  return { ok: true, data: parsed.data, unknown: unknown.map(({ path, key }) => pathText([...path, key])) };
}

const structuredCopy = (value: unknown): unknown => JSON.parse(JSON.stringify(value)) as unknown;

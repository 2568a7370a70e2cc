/** Boundary values of a Zod schema for tests: smallest and largest numbers, empty and longest lists. */
import type * as z from "zod/mini";
import type { Random } from "../numbers/random.ts";

interface Definition {
  readonly type: string;
  readonly shape?: Readonly<Record<string, z.ZodMiniType>>;
  readonly options?: readonly z.ZodMiniType[];
  readonly values?: readonly unknown[];
  readonly entries?: Readonly<Record<string, string>>;
  readonly innerType?: z.ZodMiniType;
  readonly element?: z.ZodMiniType;
  readonly items?: readonly z.ZodMiniType[];
  readonly in?: z.ZodMiniType;
  readonly format?: string;
  readonly checks?: readonly { readonly _zod: { readonly def: Check } }[];
}
interface Check {
  readonly check: string;
  readonly value?: number;
  readonly minimum?: number;
  readonly maximum?: number;
}
interface Bounds {
  readonly low: number | undefined;
  readonly high: number | undefined;
}

/** @returns what the rules of a number, a list or a text leave: in these schemas the bounds belong to it */
function boundsOf({ checks = [] }: Definition): Bounds {
  const rules = checks.map(({ _zod }) => _zod.def);
  const of = (name: string) => rules.find(({ check }) => check === name);
  return {
    low: of("greater_than")?.value ?? of("min_length")?.minimum,
    high: of("less_than")?.value ?? of("max_length")?.maximum,
  };
}

const one = <T>(random: Random, items: readonly T[]): T =>
  items[Math.floor(random.uniform() * items.length)] as T;

function numberAt({ low = -1000, high = 1000 }: Bounds, whole: boolean, random: Random): number {
  const middle = low + random.uniform() * (high - low);
  const value = one(random, [low, high, middle, Math.min(high, Math.max(low, 0))]);
  return whole ? Math.round(value) : value;
}

/** @returns a value that the schema lets in, as near to its edges as its rules allow */
export function edgeOf(schema: z.ZodMiniType, random: Random): unknown {
  const { def } = schema._zod as unknown as { def: Definition };
  const bounds = boundsOf(def);
  switch (def.type) {
    case "object":
      return Object.fromEntries(
        Object.entries(def.shape ?? {})
          .map(([key, value]) => [key, edgeOf(value, random)] as const)
          .filter(([, value]) => value !== undefined),
      );
    case "optional":
      return random.uniform() < 0.4 || !def.innerType ? undefined : edgeOf(def.innerType, random);
    case "default":
    case "nullable":
    case "readonly":
      return def.innerType && edgeOf(def.innerType, random);
    case "pipe":
      return def.in && edgeOf(def.in, random);
    case "union":
      return edgeOf(one(random, def.options ?? []), random);
    case "literal":
      return one(random, def.values ?? []);
    case "enum":
      return one(random, Object.values(def.entries ?? {}));
    case "boolean":
      return random.uniform() < 0.5;
    case "number":
      return numberAt(bounds, def.format !== undefined, random);
    case "string":
      return "x";
    case "tuple":
      return (def.items ?? []).map((item) => edgeOf(item, random));
    case "array": {
      const [least, most] = [bounds.low ?? 0, Math.min(bounds.high ?? 3, 8)];
      const length = one(random, [least, Math.max(least, 1), Math.max(least, most)]);
      return Array.from({ length }, () => def.element && edgeOf(def.element, random));
    }
    default:
      return undefined;
  }
}

/**
 * What stands in a field, and what it means: each kind of field is one codec, read by `decode` and shown by
 * `encode`. The record's own schema sets the bounds, and they are said in a form's words.
 */
import { typedText } from "#app/vocabulary/numerals.ts";
import * as z from "zod/mini";
import { fromSI, readQuantity, type QuantityKind, type UnitOf } from "#core/units/quantity.ts";
import { readSizeList, writeSizeList } from "#core/units/size-list.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { boundWords, noNumber } from "#app/vocabulary/bounds.ts";

type Issues = z.core.$ZodRawIssue[];

const refuse = (issues: Issues, input: unknown, message: string): never => {
  issues.push({ code: "custom", input, message });
  return z.NEVER;
};

/**
 * Reads a part of a form by its own codec; what is wrong in it is said there.
 * @param at - where it is said instead, for a field that holds many
 */
function readInside<T extends z.ZodMiniType>(
  part: T,
  input: unknown,
  issues: Issues,
  at?: PropertyKey[],
): z.output<T> {
  const read = z.safeDecode(part, input as z.input<T>, { error: boundWords });
  if (read.success) return read.data;
  for (const { path, message } of read.error.issues)
    issues.push({ code: "custom", input, path: at ?? path, message });
  return z.NEVER;
}

/**
 * "1 3/4", "1.75" and "1,75" alike.
 * @param record - the record's own field, whose bounds are said here
 */
export const typedNumber = <T extends z.ZodMiniType<number>>(record: T) =>
  z.codec(z.string(), record, {
    decode: (text, { issues }) => {
      const read = readTypedNumber(text);
      return (read.ok ? read.value : refuse(issues, text, noNumber(text))) as z.input<T>;
    },
    encode: (value) => typedText(value as number),
  });

/** @returns where a record's numbers end, as it says itself of one that is beyond */
function endOf(record: z.ZodMiniType<number>, beyond: number): number {
  const [issue] = record.safeParse(beyond).error?.issues ?? [];
  if (issue?.code === "too_small") return Number(issue.minimum);
  return issue?.code === "too_big" ? Number(issue.maximum) : beyond;
}

/** In SI behind the field; "59 °F" may be typed where the field shows °C. Bounds are said in its unit. */
export const typedQuantity = <K extends QuantityKind>(
  kind: K,
  unit: UnitOf<K>,
  record: z.ZodMiniType<number>,
) => {
  const shown = (valueSI: number) => Number(fromSI(kind, valueSI, unit).toFixed(6));
  const bound = (beyond: number) => `${typedText(shown(endOf(record, beyond)))} ${unit}`;
  return z.codec(z.string(), z.number(), {
    decode: (text, { issues }) => {
      const read = readQuantity(kind, text, unit);
      if (!read.ok) return refuse(issues, text, noNumber(text));
      if (record.safeParse(read.valueSI).success) return read.valueSI;
      return refuse(
        issues,
        text,
        `Must lie between ${bound(-Number.MAX_VALUE)} and ${bound(Number.MAX_VALUE)}.`,
      );
    },
    encode: (valueSI) => typedText(shown(valueSI)),
  });
};

/** Reads fields one by one, where no schema of the whole form serves: what is wrong is kept by field. */
export function fieldReader<Name extends string>(texts: Readonly<Record<Name, string>>) {
  const wrong: Partial<Record<Name, string>> = {};
  /** @returns the number, NaN where it is wrong */
  const read = (name: Name, codec: z.ZodMiniType<number, string>): number => {
    const typed = codec.safeParse(texts[name]);
    if (typed.success) return typed.data;
    wrong[name] = typed.error.issues[0]?.message ?? "This cannot be read.";
    return Number.NaN;
  };
  return { wrong, read };
}

/** "150, 152, 155" or "150 to 175 by 2.5" */
export const typedSizes = (record: z.ZodMiniType<number[]>) =>
  z.codec(z.string(), z.custom<number[]>(), {
    decode: (text, { issues }) => {
      const read = readSizeList(text);
      if (read.ok) return readInside(record, read.sizes, issues, []);
      return refuse(issues, text, `“${read.wrong}” is no size. Write 150, 152, 155 or 150 to 175 by 2.5.`);
    },
    encode: writeSizeList,
  });

export const yesOrNo = z.codec(z.string(), z.boolean(), {
  decode: (text) => text === "yes",
  encode: (is) => (is ? "yes" : "no"),
});

/** names parted by spaces */
export const spaced = z.codec(z.string(), z.array(z.string()), {
  decode: (text) => text.split(" ").filter((word) => word !== ""),
  encode: (words) => words.join(" "),
});

/** A field that may stay empty. */
export const maybe = <T extends z.ZodMiniType<unknown, string>>(field: T) =>
  z.codec(z.string(), z.optional(z.custom<z.output<T>>()), {
    decode: (text, { issues }) => (text.trim() === "" ? undefined : readInside(field, text, issues)),
    encode: (value) => (value === undefined ? "" : z.encode(field, value)),
  });

/**
 * Fields that may be left out together.
 * @param named - those that say, by being empty, that nothing was typed; a choice alone does not count
 */
export const maybeAll = <T extends z.ZodMiniObject>(fields: T, named: readonly string[], empty: z.input<T>) =>
  z.codec(z.custom<z.input<T>>(), z.optional(z.custom<z.output<T>>()), {
    decode: (texts, { issues }) =>
      named.every((name) => String(texts[name]).trim() === "")
        ? undefined
        : readInside(fields, texts, issues),
    encode: (value) => (value === undefined ? empty : z.encode(fields, value)),
  });

/**
 * One of several variants, opened out: the form keeps what was typed for one while another is chosen.
 * @param by - the field that chooses
 * @param opened - what waits in the fields of the variants not chosen
 */
export const variants = <Texts extends Record<string, string>, Value extends object>(
  by: keyof Texts & keyof Value & string,
  arms: Readonly<Record<string, z.ZodMiniObject>>,
  opened: Texts,
) =>
  z.codec(z.custom<Texts>(), z.custom<Value>(), {
    decode: (texts, { issues }) => {
      const arm = arms[String(texts[by])] ?? z.object({});
      const read = readInside(z.extend(arm, { [by]: z.string() }), texts, issues);
      return read as unknown as Value;
    },
    encode: (value) => {
      const arm = arms[String(value[by])] ?? z.object({});
      return { ...opened, ...z.encode(z.extend(arm, { [by]: z.string() }), value as never) };
    },
  });

/** What this form does not show and gives back as it was; what is not there is not sent either. */
export const asItWas = <T extends z.ZodMiniType>() => z.optional(z.custom<z.output<T>>());

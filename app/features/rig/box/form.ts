/** The jet box as typed: lists of sizes as text, drilled jets and other families as rows. */
import * as z from "zod/mini";
import { Box } from "#core/log/schema.ts";
import { asItWas, typedNumber, typedSizes } from "#app/ui/typed.ts";
import { boundWords } from "#app/vocabulary/bounds.ts";
import { numbering } from "../numbering.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

const B = Box.shape;
const drilled = B.drilled.def.innerType.def.element.shape;
const family = B.families.def.innerType.def.element.shape;

const fields = z.object({
  pilots: typedSizes(B.pilots),
  mains: typedSizes(B.mains),
  shimsMm: typedSizes(B.shimsMm),
  drilled: z.array(
    z.object({
      part: z.string(),
      stamped: typedNumber(drilled.stamped),
      measuredMm: typedNumber(drilled.measuredMm),
    }),
  ),
  families: z.array(
    z.object({ name: family.name, part: z.string(), numbering, sizes: typedSizes(family.sizes) }),
  ),
  /** they have a screen of their own */
  parts: asItWas<typeof B.parts>(),
});

export type BoxTexts = z.input<typeof fields>;

export const boxTexts = ({ drilled: holes = [], families = [], parts, ...lists }: Box): BoxTexts =>
  z.encode(fields, { ...lists, drilled: holes, families, parts });

/** No drilled jets and no other families go without saying. */
const closed = ({ drilled: holes, families, parts, ...lists }: z.output<typeof fields>) => ({
  ...lists,
  ...(parts && { parts }),
  ...(holes.length > 0 && { drilled: holes }),
  ...(families.length > 0 && { families }),
});

export const BoxForm = z.pipe(
  z.custom<BoxTexts>((value) => typeof value === "object" && value !== null),
  z.transform((texts, ctx): Box => {
    const read = z.safeDecode(fields, texts, { error: boundWords });
    const parsed = read.success ? Box.safeParse(closed(read.data), { error: boundWords }) : read;
    if (parsed.success) return parsed.data;
    for (const { path, message } of parsed.error.issues) sayIssue(ctx, message, path);
    return z.NEVER;
  }),
);

/** Fields common to every log entry, and pieces that several kinds share. */
import * as z from "zod/mini";
import "./refusals-in-words.ts";

export const Text = z.string().check(z.trim(), z.maxLength(2000));

/** `look:k3f9…`: says what it points at, so files and logs are readable. */
export const EntryId = z
  .string()
  .check(
    z.regex(
      /^(build|box|base|air|check|override|fit|look|work|teardown|adjust|balance|headers|run|import|note|strike|proven|school|answer|fault|place|forecast|heats|route|climate):[A-Za-z0-9-]{4,60}$/,
      "an entry's id looks like look:k3f9-01",
    ),
  );

/** With the offset of the place, so that the day and the hour are the tuner's own. */
export const Instant = z.iso.datetime({ offset: true });

export const entry = <K extends string, S extends z.core.$ZodLooseShape>(kind: K, shape: S) =>
  z.strictObject({ id: EntryId, at: Instant, kind: z.literal(kind), ...shape });

/** Degrees, north and east. */
export const Position = z.strictObject({
  latitude: z.number().check(z.gte(-90), z.lte(90)),
  longitude: z.number().check(z.gte(-180), z.lte(180)),
  /** as the satellites told it, above the ellipsoid: where the true height is known too, the two tell the difference */
  heightM: z.optional(z.number().check(z.gte(-600), z.lte(9000))),
});
export type Position = z.infer<typeof Position>;

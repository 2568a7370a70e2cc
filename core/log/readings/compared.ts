/** Better, the same or worse than what was fitted before. */
import * as z from "zod/mini";
import { VERDICTS, ZoneName } from "../parts.ts";

export const ComparedReading = z.strictObject({
  type: z.literal("compared"),
  zone: ZoneName,
  verdict: z.enum(VERDICTS),
  /** the fit it is about; none named: the open change */
  fit: z.optional(z.string().check(z.regex(/^fit:[A-Za-z0-9-]{4,60}$/, "a fit's id looks like fit:k3f9-01"))),
});

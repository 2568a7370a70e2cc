import * as z from "zod/mini";
import { baselineSettings } from "#core/log/settings.ts";
import { BaseSheet, type Build } from "#core/log/schema.ts";
import { BaseSent } from "./form.ts";

export const Sent = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("sheet"),
    ...BaseSent.shape,
    seen: z.optional(z.string().check(z.maxLength(80))),
  }),
  z.object({ intent: z.literal("putToBase") }),
  z.object({
    intent: z.literal("import"),
    sheets: z.array(BaseSheet).check(z.minLength(1), z.maxLength(500)),
  }),
]);

export const baseOf = (build: Build, sheet: BaseSheet | undefined) =>
  baselineSettings(build).map((setting) => sheet?.setting ?? setting);

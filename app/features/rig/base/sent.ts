import * as z from "zod";
import { baselineSettings } from "#core/log/fold.ts";
import { BaseSheet, type Build } from "#core/log/schema.ts";
import { BaseSent } from "./form.ts";

export const Sent = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("sheet"), ...BaseSent.shape, seen: z.string().max(80).optional() }),
  z.object({ intent: z.literal("putToBase") }),
  z.object({ intent: z.literal("import"), sheets: z.array(BaseSheet).min(1).max(500) }),
]);

export const baseOf = (build: Build, sheet: BaseSheet | undefined) =>
  baselineSettings(build).map((setting) => sheet?.setting ?? setting);

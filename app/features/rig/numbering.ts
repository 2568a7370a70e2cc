/** How jets are numbered, as typed: by the hole, or by what flows through. */
import * as z from "zod/mini";
import { Numbering } from "#core/log/build-schema.ts";
import { typedNumber, variants } from "#app/ui/typed.ts";

export type NumberingTexts = Record<"by" | "referenceNumber" | "referenceDiameterMm", string>;

const [, flow] = Numbering.def.options;

export const numbering = variants<NumberingTexts, z.infer<typeof Numbering>>(
  "by",
  {
    flow: z.object({
      referenceNumber: typedNumber(flow.shape.referenceNumber),
      referenceDiameterMm: typedNumber(flow.shape.referenceDiameterMm),
    }),
  },
  { by: "diameter", referenceNumber: "100", referenceDiameterMm: "1" },
);

/** What the engine does. */
import * as z from "zod/mini";
import { ZoneName } from "../parts.ts";
import { SymptomName } from "../symptom-names.ts";

export const SymptomReading = z.strictObject({
  type: z.literal("symptom"),
  zone: ZoneName,
  symptom: SymptomName,
});

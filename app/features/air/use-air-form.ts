import type { UseFormReturn } from "react-hook-form";
import type { AirMeasured, AirTexts } from "./form.ts";

export type AirFormState = UseFormReturn<AirTexts, unknown, AirMeasured>;

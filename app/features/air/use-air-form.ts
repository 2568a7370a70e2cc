import { zodResolver } from "@hookform/resolvers/zod";
import { useForm, type UseFormReturn } from "react-hook-form";
import type { AirEntry } from "#core/log/schema.ts";
import { AirForm, startTexts, type AirMeasured, type AirTexts } from "./form.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

export type AirFormState = UseFormReturn<AirTexts, unknown, AirMeasured>;

export function useAirForm(preferences: Preferences, last: AirEntry | undefined): AirFormState {
  return useForm<AirTexts, unknown, AirMeasured>({
    resolver: zodResolver(AirForm),
    defaultValues: startTexts(preferences, last),
    mode: "onTouched",
  });
}

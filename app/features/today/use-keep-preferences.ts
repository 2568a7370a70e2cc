import { useFetcher } from "react-router";
import type { ActionProblem } from "#app/journal/save.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

/** Keeps a preference that is chosen by a tap on Today. */
export function useKeepPreferences(preferences: Preferences) {
  const fetcher = useFetcher<ActionProblem>();
  const keep = (change: Partial<Preferences>) =>
    void fetcher.submit(JSON.stringify({ ...preferences, ...change, intent: "preferences" }), {
      method: "post",
      action: "/data",
      encType: "application/json",
    });
  return { keep, busy: fetcher.state !== "idle", problem: fetcher.data?.message };
}

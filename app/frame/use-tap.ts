/** Hook: submits one of the taps that all rig screens share. */
import { useCallback } from "react";
import { useFetcher } from "react-router";
import type { Answer } from "#app/journal/rig-action.ts";
import type { Tap } from "./run-tap.ts";

/** How a tap is sent, by whatever sends it. */
export const tapTo = (rigId: string) =>
  ({ method: "post", action: `/rigs/${rigId}`, encType: "application/json" }) as const;

export function useTap(rigId: string) {
  const { submit, state, data } = useFetcher<Answer>();
  const send = useCallback((tap: Tap) => void submit(JSON.stringify(tap), tapTo(rigId)), [submit, rigId]);
  return { send, busy: state !== "idle", answer: data };
}

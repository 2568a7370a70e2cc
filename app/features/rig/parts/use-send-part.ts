import { useFetcher } from "react-router";
import type * as z from "zod/mini";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import type { Answer } from "#app/journal/rig-action.ts";
import { newestOf } from "#app/journal/seen.ts";
import type { Sent } from "./sent.ts";

/** One thing at a time goes to the box or into the carburettor; what stands there now is what it is held against. */
export function useSendPart() {
  const { present, header } = useRig();
  const fetcher = useFetcher<Answer>();
  const send = (sent: z.input<typeof Sent>) =>
    void fetcher.submit(JSON.stringify({ ...sent, seen: newestOf(present, "box") }), {
      method: "post",
      action: placeHref(header.id, "parts"),
      encType: "application/json",
    });
  return { send, answer: fetcher.data, busy: fetcher.state !== "idle" };
}

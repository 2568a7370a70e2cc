/** A way of working, chosen with one tap and logged. */
import { useFetcher } from "react-router";
import type { School } from "#core/log/schools.ts";
import type { Answer } from "#app/journal/rig-action.ts";
import { useRig } from "./use-rig.ts";

export function useSchool() {
  const { header } = useRig();
  const { submit, state, data } = useFetcher<Answer>();
  return {
    choose: (school: School) =>
      void submit(JSON.stringify(school), {
        method: "post",
        action: `/rigs/${header.id}/schools`,
        encType: "application/json",
      }),
    busy: state !== "idle",
    problem: data?.message,
  };
}

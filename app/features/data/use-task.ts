/** One task of Data's, sent as it is meant. */
import { useFetcher } from "react-router";
import type { Answer } from "./Said.tsx";
import type { Task } from "./tasks.ts";

export function useTask() {
  const { submit, state, data } = useFetcher<Answer>();
  return {
    send: (task: Task) =>
      void submit(JSON.stringify(task), { method: "post", action: "/data", encType: "application/json" }),
    busy: state !== "idle",
    answer: data,
  };
}

import { useFetcher } from "react-router";
import * as z from "zod/mini";
import { Problem } from "#app/ui/Problem.tsx";
import { type ActionProblem } from "#app/journal/save.ts";
import { Sent } from "./sent.ts";

export type Answer = ActionProblem & { said?: string };

export function useSend() {
  const fetcher = useFetcher<Answer>();
  const send = (content: z.input<typeof Sent>) =>
    void fetcher.submit(JSON.stringify(content), { method: "post", encType: "application/json" });
  return { send, answer: fetcher.data, busy: fetcher.state !== "idle" };
}

export function Said({ answer }: { answer: Answer | undefined }) {
  if (answer?.message !== undefined) return <Problem message={answer.message} />;
  return (
    <p className="flush" role="status">
      {answer?.said}
    </p>
  );
}

import { Caution } from "#app/ui/Caution.tsx";
import { type ActionProblem } from "#app/journal/save.ts";

export type Answer = ActionProblem & { said?: string | undefined };

export function Said({ answer }: { answer: Answer | undefined }) {
  if (answer?.message !== undefined) return <Caution grave>{answer.message}</Caution>;
  return (
    <p className="flush" role="status">
      {answer?.said}
    </p>
  );
}

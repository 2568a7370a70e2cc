import { Caution } from "#app/ui/Caution.tsx";
import { type ActionProblem } from "#app/journal/save.ts";

export type Answer = ActionProblem & { said?: string };

export function Said({ answer }: { answer: Answer | undefined }) {
  if (answer?.message !== undefined) return <Caution grave>{answer.message}</Caution>;
  return (
    <p role="status" style={{ margin: 0 }}>
      {answer?.said}
    </p>
  );
}

/** The one-tap entries: fitted, and put back. */
import Button from "@mui/material/Button";
import { useFetcher } from "react-router";
import type { Change } from "#core/log/schema.ts";
import type { Advice } from "#core/advice/advise.ts";
import { Problem } from "#app/parts/Problem.tsx";
import { partValue } from "#app/words/parts.ts";
import type { RigContext } from "./context.ts";
import { proposedChanges, wayBack } from "./fit-changes.ts";
import type { ActionProblem } from "./save.ts";

type Because = "card" | "advice" | "putBack";

export const fitForm = (changes: readonly Change[], because: Because) => ({
  intent: "fit",
  because,
  changes: JSON.stringify(changes),
});

function FitButton({
  rigId,
  changes,
  because,
  words,
  hint,
  contained,
  waiting,
}: {
  rigId: string;
  changes: readonly Change[];
  because: Because;
  words: string;
  hint?: string;
  contained?: boolean;
  /** newer advice is on its way: what is offered may be out of date */
  waiting?: boolean;
}) {
  const fetcher = useFetcher<ActionProblem>();
  return (
    <>
      <Button
        variant={contained ? "contained" : "outlined"}
        disabled={fetcher.state !== "idle" || waiting}
        onClick={() =>
          void fetcher.submit(fitForm(changes, because), { method: "post", action: `/rigs/${rigId}` })
        }
      >
        {words}
        {hint !== undefined && <span className="key">{hint}</span>}
      </Button>
      <Problem message={fetcher.data?.message} />
    </>
  );
}

/** "155 is fitted": logs what the next step proposes. */
export function Fitted({ context, advice }: { context: RigContext; advice: Advice }) {
  const proposed = proposedChanges(advice);
  if (!proposed) return null;
  const [only] = proposed.changes;
  const words =
    only && proposed.changes.length === 1
      ? `${partValue(only.part, only.to)} is fitted`
      : "The card is fitted";
  return (
    <FitButton
      rigId={context.header.id}
      {...proposed}
      words={words}
      hint="c"
      contained
      waiting={context.working}
    />
  );
}

/** The way back from the open change. */
export function PutBack({ context }: { context: RigContext }) {
  const { openChange } = context.present;
  if (!openChange) return null;
  const [only] = openChange.parts;
  const words =
    only && openChange.parts.length === 1
      ? `Put back ${partValue(only, openChange.before[only])}`
      : `Put back all ${openChange.parts.length}`;
  return (
    <FitButton
      rigId={context.header.id}
      changes={wayBack(openChange)}
      because="putBack"
      words={words}
      hint="b"
    />
  );
}

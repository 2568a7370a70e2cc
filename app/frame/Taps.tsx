/** The one-tap entries: fitted, and put back. */
import Button from "@mui/material/Button";
import type { Advice } from "#core/advice/card/advise.ts";
import { AskFirst, type Asks } from "#app/ui/AskFirst.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { partValue } from "#app/vocabulary/parts.ts";
import { fitForm, fittedWords } from "./fit-form.ts";
import { useLoggedTap } from "./use-logged-tap.ts";
import type { RigContext } from "./use-rig.ts";
import { isFirstChangeAsked, WALK_ROUND_OWED } from "./walk-round-due.ts";
import { proposedChanges, wayBack, type Proposed } from "#app/journal/fit-changes.ts";

interface FitButtonProps extends Proposed {
  readonly context: RigContext;
  readonly advice?: Advice;
  readonly words: string;
  /** for those who do not see what stands beside it */
  readonly label?: string;
  readonly hint?: string;
  readonly contained?: boolean;
  readonly asks?: Asks | undefined;
}

export function FitButton({
  context,
  advice,
  changes,
  because,
  words,
  label,
  hint,
  contained,
  asks,
}: FitButtonProps) {
  const { send, busy, answer } = useLoggedTap(context.header.id, "A tap by mistake");
  const owed =
    because !== "putBack" && isFirstChangeAsked(context)
      ? { words: WALK_ROUND_OWED, yes: "Fit it all the same" }
      : undefined;
  return (
    <AskFirst asks={asks ?? owed}>
      <Button
        variant={contained ? "contained" : "outlined"}
        aria-label={label}
        // Newer advice is on its way: what is offered may be out of date.
        disabled={busy || (advice !== undefined && context.working)}
        onClick={() => send(fitForm(changes, because, advice), fittedWords(changes))}
      >
        {words}
        {hint !== undefined && <span className="key">{hint}</span>}
      </Button>
      <Problem message={answer?.message} />
    </AskFirst>
  );
}

/** "155 is fitted", "All fitted", or the way back that is advised. */
export function Fitted({ context, advice }: Pick<FitButtonProps, "context"> & { readonly advice: Advice }) {
  const proposed = proposedChanges(advice);
  if (!proposed) return null;
  const [only] = proposed.changes;
  const one = only && proposed.changes.length === 1 ? partValue(only.part, only.to) : undefined;
  const words =
    proposed.because === "putBack"
      ? one === undefined
        ? "All put back"
        : `${one} is put back`
      : one === undefined
        ? "All fitted"
        : `${one} is fitted`;
  return <FitButton context={context} advice={advice} {...proposed} words={words} hint="c" contained />;
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
    <FitButton context={context} changes={wayBack(openChange)} because="putBack" words={words} hint="b" />
  );
}

/** A form of a rig as it stands on a screen: what was typed before is offered, then its fields, then one way to save. */
import { clockWords } from "#app/vocabulary/days.ts";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { FormProvider, useFormState, type FieldValues } from "react-hook-form";
import { Problem } from "#app/ui/Problem.tsx";
import { Refusals } from "#app/ui/refusals.ts";
import type { Offer } from "./use-typed.ts";
import type { RigForm } from "./use-rig-form.ts";

export const TypedBefore = ({ offer: { at, take, drop } }: { offer: Offer }) => (
  <div className="row" role="status">
    <span>You typed this at {clockWords(at)} and did not save it.</span>
    <Button variant="outlined" onClick={take}>
      Bring it back
    </Button>
    <Button onClick={drop}>Forget it</Button>
  </div>
);

interface Props<T extends FieldValues, V> {
  readonly form: RigForm<T, V>;
  readonly children: ReactNode;
  /** the words of the button that saves; without any there is nothing to save yet */
  readonly saves: string | false;
  /** what that button is called where several on a screen have the same words */
  readonly saveLabel?: string;
  /** what stands beside that button */
  readonly beside?: ReactNode;
  /** a form of one line, of this class besides: its button stands beside its field, not in the thumb's reach */
  readonly inline?: string | undefined;
}

const NONE = {};

/** The first of a form's errors, however deep it lies. */
function firstMessage(errors: unknown): string | undefined {
  if (typeof errors !== "object" || errors === null) return undefined;
  if ("message" in errors && typeof errors.message === "string") return errors.message;
  for (const [name, error] of Object.entries(errors)) {
    const message = name === "ref" ? undefined : firstMessage(error);
    if (message !== undefined) return message;
  }
  return undefined;
}

/** What stands against saving, where the button is: the field may be out of sight. */
function NotSaved({ message }: { message: string | undefined }) {
  const { errors, isSubmitted } = useFormState();
  const wrong = isSubmitted ? firstMessage(errors) : undefined;
  return <Problem message={wrong === undefined ? message : `Not saved: ${wrong}`} />;
}

export function RigFields<T extends FieldValues, V>({
  form: { methods, save, saving, answer, offer },
  children,
  saves,
  saveLabel,
  beside,
  inline,
}: Props<T, V>) {
  return (
    <FormProvider {...methods}>
      <Refusals value={answer?.fields ?? NONE}>
        <form className={inline === undefined ? "form" : `line-form ${inline}`} noValidate onSubmit={save}>
          {offer && <TypedBefore offer={offer} />}
          {children}
          <NotSaved message={answer?.message} />
          <div className={inline === undefined ? "row save" : "row"}>
            {saves !== false && (
              <Button type="submit" variant="contained" disabled={saving} aria-label={saveLabel}>
                {saving ? "Saving…" : saves}
              </Button>
            )}
            {beside}
          </div>
        </form>
      </Refusals>
    </FormProvider>
  );
}

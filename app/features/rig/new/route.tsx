import { useEffect, useRef, useState } from "react";
import {
  redirect,
  useActionData,
  useNavigate,
  useNavigation,
  useSearchParams,
  useSubmit,
} from "react-router";
import type { Route } from "./+types/route";
import { PageHead } from "#app/ui/PageHead.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { readSent, type ActionProblem } from "#app/journal/save.ts";
import { readPreferences } from "#app/store/preferences.ts";
import { Known, readKnown, sized, STEP_FIELDS, STEPS, usualKnown, type Step } from "./known.ts";
import { makeRig } from "./make-rig.ts";
import { StepButtons, StepFields } from "./StepFields.tsx";
import { STEP_TITLES } from "./words.ts";

export const meta = () => [{ title: "A new rig · Tamis" }];

export const clientLoader = async () => ({ preferences: await readPreferences() });

export async function clientAction({ request }: Route.ClientActionArgs) {
  const read = readSent(Known, await request.json());
  if (!read.ok) return read.answer;
  const made = await makeRig(read.sent, await readPreferences());
  return made.ok ? redirect(`/rigs/${made.id}`) : made.answer;
}

/** From nothing to a card in a minute and a half: one question a screen, what is usual stands there already. */
export default function NewRigRoute({ loaderData: { preferences } }: Route.ComponentProps) {
  const [known, setKnown] = useState(() => usualKnown("twoStrokeBike"));
  const [asked, setAsked] = useState(false);
  const [query] = useSearchParams();
  const navigate = useNavigate();
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const step: Step = STEPS.find((name) => name === query.get("step")) ?? "kind";
  const number = STEPS.indexOf(step);
  const read = readKnown(known, preferences);
  const problems = read.ok ? {} : read.fields;
  const wrongHere = STEP_FIELDS[step].some((field) => problems[field] !== undefined);
  const heading = useRef<HTMLHeadingElement>(null);
  const shown = useRef(step);
  // Whoever listens begins each step at its question.
  useEffect(() => {
    if (shown.current !== step) heading.current?.focus({ preventScroll: true });
    shown.current = step;
  }, [step]);
  // The way back is the browser's own: each step is an address, and what was typed stays.
  const go = (to: Step) => {
    setAsked(false);
    void navigate(`?step=${to}`, { preventScrollReset: false });
  };
  const next = STEPS[number + 1];
  const onNext = () => {
    if (wrongHere) setAsked(true);
    else if (next) go(next);
    else void submit(known, { method: "post", encType: "application/json" });
  };
  return (
    <div className="page">
      <PageHead />
      <main className="stack">
        <div>
          <h1 ref={heading} tabIndex={-1}>
            {STEP_TITLES[step]}
          </h1>
          <p className="quiet flush" aria-live="polite">
            A new rig, {number + 1} of {STEPS.length}. What is usual stands there until you type over it.
          </p>
        </div>
        <form
          className="form"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            onNext();
          }}
        >
          <StepFields
            step={step}
            known={known}
            units={preferences}
            problems={asked ? problems : {}}
            onChange={(change) => setKnown(sized(known, change))}
            onKind={(kind) => {
              if (kind !== known.kind) setKnown(usualKnown(kind));
              go("size");
            }}
          />
          <Problem message={answer?.message} />
          {step !== "kind" && (
            <StepButtons
              last={next === undefined}
              saving={saving}
              onBack={() => go(STEPS[number - 1] ?? "kind")}
            />
          )}
        </form>
      </main>
    </div>
  );
}

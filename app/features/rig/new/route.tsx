import { useEffect, useRef, useState } from "react";
import Button from "@mui/material/Button";
import * as z from "zod/mini";
import {
  data,
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
import { Instant } from "#core/log/schema.ts";
import { localInstant } from "#app/journal/clock.ts";
import { bookClosed } from "#app/store/book.ts";
import { dropDraft, keepDraft, readDraft } from "#app/store/drafts.ts";
import { readPreferences } from "#app/store/preferences.ts";
import { dayTitle } from "#app/vocabulary/days.ts";
import { Known, readKnown, sized, STEP_FIELDS, STEPS, usualKnown, type Step } from "./known.ts";
import { makeRig } from "./make-rig.ts";
import { StepButtons, StepFields } from "./StepFields.tsx";
import { STEP_TITLES } from "./words.ts";

export const meta = () => [{ title: "A new rig · Tamis" }];

/** Not of any rig yet: one draft of a first rig at a time. */
const NEW = "new";
const Draft = z.strictObject({ known: Known, at: Instant });
/** A rig that was begun longer ago is begun anew. */
const KEPT_FOR_MS = 7 * 86_400_000;

export async function clientLoader({ request }: Route.ClientLoaderArgs) {
  const { searchParams } = new URL(request.url);
  const [draft, preferences, closed] = await Promise.all([
    readDraft(Draft, NEW, NEW),
    readPreferences(),
    bookClosed(),
  ]);
  // Before anybody types: where nothing can be kept.
  if (closed !== undefined) throw data(closed, { status: 503 });
  const begun = draft && Date.now() - Date.parse(draft.at) < KEPT_FOR_MS ? draft : undefined;
  // A step that has no answers before it: the first question comes first.
  if (!begun && (searchParams.get("step") ?? "kind") !== "kind") throw redirect("/new");
  return { preferences, begun };
}

/** The six steps are one screen: what was begun is looked for when it opens. */
export const shouldRevalidate = () => false;

export async function clientAction({ request }: Route.ClientActionArgs) {
  const read = readSent(Known, await request.json());
  if (!read.ok) return read.answer;
  const made = await makeRig(read.sent, await readPreferences());
  if (made.ok) await dropDraft(NEW, NEW);
  return made.ok ? redirect(`/rigs/${made.id}`) : made.answer;
}

/** From nothing to a card in a minute and a half: one question a screen, what is usual stands there already. */
export default function NewRigRoute({ loaderData: { preferences, begun } }: Route.ComponentProps) {
  const [known, setKnown] = useState(() => begun?.known ?? usualKnown("twoStrokeBike"));
  const [resumed, setResumed] = useState(begun !== undefined);
  const keep = (next: Known) => {
    setKnown(next);
    void keepDraft(NEW, NEW, { known: next, at: localInstant() });
  };
  const beginAnew = () => {
    setResumed(false);
    setKnown(usualKnown("twoStrokeBike"));
    void dropDraft(NEW, NEW).then(() => navigate("/new"));
  };
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
            A new rig, {number + 1} of {STEPS.length}. You see usual values until you type your own.
          </p>
          {resumed && begun && (
            <div className="row">
              <p className="flush">
                You began this rig at {begun.at.slice(11, 16)} on {dayTitle(begun.at)}. What you typed is
                still here.
              </p>
              <Button variant="outlined" onClick={beginAnew}>
                Begin anew
              </Button>
            </div>
          )}
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
            onChange={(change) => keep(sized(known, change))}
            onKind={(kind) => {
              keep(kind === known.kind ? known : usualKnown(kind));
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

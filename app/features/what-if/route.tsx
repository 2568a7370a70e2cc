import Button from "@mui/material/Button";
import css from "./what-if.module.css";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import type { Route } from "./+types/route";
import { PARTS } from "#core/log/parts.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import type { Trial } from "#core/advice/trial.ts";
import type { TrialAsked } from "#core/log/trial-asked.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Working } from "#app/ui/Working.tsx";
import { MiniStrip } from "#app/frame/strip/Strip.tsx";
import { changeHref } from "#app/frame/change-href.ts";
import { useAnswer, type AnswerState } from "#app/frame/use-answer.ts";
import { useRig, type RigContext } from "#app/frame/use-rig.ts";
import { askTrial } from "#app/journal/judge.ts";
import { keepDraft, readDraft } from "#app/store/drafts.ts";
import { certainty, percentWords } from "#app/vocabulary/parts.ts";
import { Compare, Keep, type Column } from "./Compare.tsx";
import { KeptTrials, TRIALS, type KeptTrial } from "./kept.ts";
import { Controls } from "./Controls.tsx";
import { movedWords, moversOf, type Moving } from "./movers.ts";

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  return { kept: (await readDraft(KeptTrials, params.rigId, TRIALS)) ?? [] };
}

function useTrial(context: RigContext, asked: TrialAsked | undefined): AnswerState<Trial> {
  const { revision, entries, carburettor } = context;
  const question = asked && `${revision} ${carburettor} ${JSON.stringify(asked)}`;
  return useAnswer(question, async () => {
    if (!asked) throw new Error("nothing is tried");
    return askTrial(revision, entries, asked, carburettor);
  });
}

/** What is tried now, said and drawn; it stays in sight while things are moved. */
function Outcome({ context, trial, moved }: { context: RigContext; trial: Trial; moved: readonly string[] }) {
  const { advice } = context;
  return (
    <div className={css["outcome"]}>
      {advice && (
        <MiniStrip
          advice={trial}
          against={advice}
          label="Mixture along the throttle as tried; the broken line is as fitted today"
        />
      )}
      <p className="flush" aria-live="polite">
        {moved.length === 0 ? "All as it is: move something." : `${moved.join(", ")}.`}{" "}
        {trial.chanceBetter > 0 && `Better than what is fitted: ${certainty(trial.chanceBetter)}. `}
        {!trial.safe && (
          <strong>Too lean at the top to be safe: {percentWords(trial.leanRisk)} past the limit.</strong>
        )}
      </p>
    </div>
  );
}

interface OnPaperProps {
  readonly kept: readonly KeptTrial[];
  readonly onKept: (kept: readonly KeptTrial[]) => void;
}

function OnPaper({ kept, onKept }: OnPaperProps) {
  const context = useRig();
  const { advice, header, carburettor, fitted, preferences } = context;
  const build = useMemo(() => buildOfCarburettor(context.build, carburettor), [context.build, carburettor]);
  const [asked, setAsked] = useState<TrialAsked>({ setting: fitted });
  const { value: trial, problem } = useTrial(context, asked);
  const first = useTrial(context, kept[0]?.asked).value;
  const second = useTrial(context, kept[1]?.asked).value;
  const third = useTrial(context, kept[2]?.asked).value;
  const changeKept = (next: readonly KeptTrial[]) => {
    onKept(next);
    void keepDraft(header.id, TRIALS, next);
  };
  // The same as long as nothing is moved: an answer draws its outcome anew, not all that can be moved.
  const moving = useMemo(
    (): Moving => ({
      asked,
      build,
      fitted,
      today: advice?.air.air ?? build.baseline.air,
      units: preferences,
    }),
    [asked, build, fitted, advice, preferences],
  );
  if (!advice) return <Working words="Working out what is fitted…" />;
  const moved = movedWords(moversOf(moving));
  const tried = [first, second, third];
  const columns: Column[] = [
    { name: "Fitted, today", zones: advice.zones, powerLeft: advice.air.powerLeft },
    ...(trial ? [{ name: "Tried now", zones: trial.zones, powerLeft: trial.powerLeft }] : []),
    ...kept.flatMap(({ name, asked: of }, i) => {
      const answer = tried[i];
      if (!answer) return [];
      const onDrop = () => changeKept(kept.filter((one) => one.name !== name));
      return [{ name, zones: answer.zones, powerLeft: answer.powerLeft, onOpen: () => setAsked(of), onDrop }];
    }),
  ];
  const setting = asked.setting;
  const differs = PARTS.some((part) => setting[part] !== fitted[part]);
  return (
    <div className="stack">
      <div>
        <h1>What if?</h1>
        <p className="lead quiet">
          Move anything without a spanner. Nothing is logged here; what the looks have taught is counted in.
        </p>
      </div>
      {problem !== undefined && <Caution grave>That cannot be tried: {problem}</Caution>}
      {trial && <Outcome context={context} trial={trial} moved={moved} />}
      <div className="row">
        <Button
          variant="outlined"
          disabled={moved.length === 0}
          onClick={() => setAsked({ setting: fitted })}
        >
          Back to what is fitted
        </Button>
        {differs && (
          <Button component={Link} variant="outlined" to={changeHref(context, setting)}>
            Make this a change
          </Button>
        )}
      </div>
      <Controls moving={moving} onMove={setAsked} />
      <Compare columns={columns} />
      <Keep
        count={kept.length}
        names={columns.map(({ name }) => name)}
        onKeep={(name) => changeKept([...kept, { name, asked }])}
      />
    </div>
  );
}

/** Another carburettor has parts of its own: it begins at what is fitted there. */
function OfRig({ start }: { start: readonly KeptTrial[] }) {
  const { carburettor } = useRig();
  const [kept, setKept] = useState(start);
  return <OnPaper key={carburettor} kept={kept} onKept={setKept} />;
}

export default function WhatIfRoute({ loaderData }: Route.ComponentProps) {
  return <OfRig key={useRig().header.id} start={loaderData.kept} />;
}

/** The machine on paper: moved, drawn, held against something, kept. */
import Button from "@mui/material/Button";
import { memo, useDeferredValue, useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { PARTS } from "#core/log/parts.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import type { Trial } from "#core/advice/judge/trial.ts";
import type { Build } from "#core/log/schema.ts";
import { triedBuild } from "#core/rig/tried-build.ts";
import type { TrialAsked } from "#core/log/trial-asked.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Working } from "#app/ui/Working.tsx";
import { NeedleDrawing } from "#app/frame/needle/NeedleDrawing.tsx";
import { changeHref } from "#app/frame/change-href.ts";
import type { AnswerState } from "#app/frame/use-answer.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig, type RigContext } from "#app/frame/use-rig.ts";
import { keepDraft } from "#app/store/drafts.ts";
import { useAgainst, type Held, type OtherRig } from "./against.tsx";
import { BoxParts, startWith, triedPartsWords } from "./BoxParts.tsx";
import { Compare, Keep, type Column } from "./Compare.tsx";
import { TRIALS, type KeptTrial } from "./kept.ts";
import { Controls } from "./Controls.tsx";
import { Outcome } from "./Outcome.tsx";
import { movedWords, moversOf, type Moving } from "./movers.ts";

function useTrial(context: RigContext, asked: TrialAsked | undefined): AnswerState<Trial> {
  return useJudge(asked && { ask: "trial", asked });
}

const Drawing = memo(NeedleDrawing);

/** @returns the machine as it is drawn: with what is tried in it; unchanged where a field cannot be */
function drawnBuild(build: Build, asked: TrialAsked): Build {
  const tried = triedBuild(build, asked);
  const { grooves } = tried.carburettor.needle;
  const setting = { ...asked.setting, clip: Math.min(asked.setting.clip, grooves) };
  return { ...tried, baseline: { ...tried.baseline, setting } };
}

interface OnPaperProps {
  readonly kept: readonly KeptTrial[];
  readonly rigs: readonly OtherRig[];
  readonly onKept: (kept: readonly KeptTrial[]) => void;
}

export function OnPaper({ kept, rigs, onKept }: OnPaperProps) {
  const context = useRig();
  const { advice, header, carburettor, fitted, preferences } = context;
  const build = useMemo(() => buildOfCarburettor(context.build, carburettor), [context.build, carburettor]);
  const [query] = useSearchParams();
  const [asked, setAsked] = useState<TrialAsked>(() =>
    startWith(build, query.get("part"), { setting: fitted }),
  );
  const { value: trial, problem } = useTrial(context, asked);
  const first = useTrial(context, kept[0]?.asked).value;
  const second = useTrial(context, kept[1]?.asked).value;
  const third = useTrial(context, kept[2]?.asked).value;
  // The strip first: the drawing follows when there is time.
  const onBench = useDeferredValue(useMemo(() => drawnBuild(build, asked), [build, asked]));
  const changeKept = (next: readonly KeptTrial[]) => {
    onKept(next);
    void keepDraft(header.id, TRIALS, next);
  };
  // The same as long as nothing is moved: an answer draws its outcome anew, not all that can be moved.
  const tried = useMemo(() => triedBuild(build, { parts: asked.parts }), [build, asked.parts]);
  const moving = useMemo(
    (): Moving => ({
      asked,
      build: tried,
      fitted,
      today: advice?.air.air ?? build.baseline.air,
      units: preferences,
    }),
    [asked, build, tried, fitted, advice, preferences],
  );
  const trials = [first, second, third];
  const held = kept.flatMap(({ name }, i): Held[] => {
    const answer = trials[i];
    return answer ? [{ name, ...answer }] : [];
  });
  const { against, field, other } = useAgainst({ advice, kept: held, rigs });
  if (!advice) return <Working words="Working out what is fitted…" />;
  const moved = [...triedPartsWords(asked), ...movedWords(moversOf(moving))];
  const columns: Column[] = [
    { name: "Fitted, today", zones: advice.zones, powerLeft: advice.air.powerLeft },
    ...(trial ? [{ name: "Tried now", zones: trial.zones, powerLeft: trial.powerLeft }] : []),
    ...(other ? [other] : []),
    ...held.map((one) => ({
      ...one,
      onOpen: () => setAsked(kept.find(({ name }) => name === one.name)?.asked ?? asked),
      onDrop: () => changeKept(kept.filter(({ name }) => name !== one.name)),
    })),
  ];
  const setting = asked.setting;
  const differs = PARTS.some((part) => setting[part] !== fitted[part]);
  return (
    <div className="stack">
      <div>
        <h1>What if?</h1>
        <p className="lead quiet">
          Move anything without a spanner. Nothing is logged here. Everything learnt about this engine counts.
        </p>
      </div>
      {problem !== undefined && <Caution grave>That cannot be tried: {problem}</Caution>}
      {trial && <Outcome trial={trial} against={against} moved={moved} />}
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
      {field}
      <BoxParts tried={asked.parts} build={build} onMove={setAsked} />
      <Controls moving={moving} onMove={setAsked} />
      <section className="stack tight" aria-label="The needle as tried">
        <h2>The needle as tried</h2>
        <Drawing build={onBench} />
      </section>
      <Compare columns={columns} />
      <Keep
        count={kept.length}
        names={columns.map(({ name }) => name)}
        onKeep={(name) => changeKept([...kept, { name, asked }])}
      />
    </div>
  );
}

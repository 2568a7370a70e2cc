import Button from "@mui/material/Button";
import { lazy, Suspense, useMemo } from "react";
import { useActionData, useNavigation, useSubmit } from "react-router";
import type { Route } from "./+types/route";
import type { PlanChange } from "#core/advice/plan/plan.ts";
import { Change } from "#core/log/schema.ts";
import { adviceGroups, buildOfCarburettor, cylindersFedBy } from "#core/rig/carburettors.ts";
import { ConnectBar, SimulatedMark } from "#app/devices/ConnectBar.tsx";
import { hasMicrophone } from "#app/devices/microphone.ts";
import { SERIAL_PORT, SerialDevice } from "#app/devices/serial.ts";
import { FRESH_IDLE, idleReading, IdleSent, PHASES, type IdleDraft } from "./form.ts";
import { BasePanel, BlipPanel, WarmPanel } from "./PhasePanels.tsx";
import { SimulatedHands, Tachometer } from "./Tachometer.tsx";
import { WalkPanel } from "./WalkPanel.tsx";
import { WalkResult } from "./WalkResult.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Term } from "#app/ui/Term.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { readSent, type ActionProblem } from "#app/journal/save.ts";
import { benchAir, readWalk, saveSymptom, saveWalk } from "./save-walk.ts";
import { useBenchAdvice } from "./use-bench-advice.ts";
import { Hearing } from "./Hearing.tsx";
import { useTachometer } from "./use-tachometer.ts";
import { useWalk } from "./use-walk.ts";
import { benchWords, phaseName, stillWords } from "./words.ts";
import { PART_NAMES, partValue } from "#app/vocabulary/parts.ts";

/** Only a stand-in is heard through the app. */
const EngineSound = lazy(() => import("./EngineSound.tsx").then((m) => ({ default: m.EngineSound })));

export const clientLoader = async ({ params }: Route.ClientLoaderArgs) => ({
  draft: await readWalk(params.rigId),
});

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const read = readSent(IdleSent, await request.json(), "These readings");
  if (!read.ok) return read.answer;
  const { sent } = read;
  return sent.intent === "symptom" ? saveSymptom(params.rigId, sent) : saveWalk(params.rigId, sent);
}

/** The words of the button that does what the card says with this reading in it. */
function followWords(changes: readonly PlanChange[]): string | undefined {
  const [first] = changes;
  if (!first) return undefined;
  const done = changes.length === 1 ? "set" : "fitted";
  return `${PART_NAMES[first.part]} ${partValue(first.part, first.to)} is ${done}`;
}

const LOOKS_FOR = (
  <>
    Idle speed against the turns of the screw: it finds the <Term of="bestIdle">best idle</Term>, and whether
    the pilot jet is right.
  </>
);

export default function IdleRoute({ loaderData }: Route.ComponentProps) {
  const context = useRig();
  const { advice, build: rigBuild, carburettor, fitted, header, present } = context;
  const build = useMemo(() => buildOfCarburettor(rigBuild, carburettor), [rigBuild, carburettor]);
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem & { next?: IdleDraft; saved?: string }>();
  const school = present.schools.screw;
  const air = useMemo(() => benchAir({ present, build }), [present, build]);
  const { draft, keep, bench, turns, turnTo, turnedAt, settleAnew, add, walkOn } = useWalk({
    rigId: header.id,
    draft: loaderData.draft,
    saved: answer?.next,
    build,
    fitted,
    air,
    school,
  });
  const { phase, points, raised, round } = draft;
  const { feed, state, samples, live, simulated, simulatedDevice, microphoneDevice, hearing, ...hands } =
    useTachometer({
      context,
      build,
      fitted,
      air,
      turns,
      turnedAt,
      taken: points.length,
    });
  const send = (message: IdleSent) =>
    void submit(JSON.stringify(message), { method: "post", encType: "application/json" });
  const alone = adviceGroups(rigBuild, present.settings).length > 1;
  const [cylinder, more] = alone ? cylindersFedBy(rigBuild, carburettor) : [];
  const reading = idleReading(bench, points);
  const said = useBenchAdvice(context, reading, more === undefined ? cylinder : undefined);
  const changes = said?.changes ?? [];
  const log = (followed: readonly PlanChange[]) =>
    send({
      intent: "log",
      points,
      simulated: draft.simulated,
      changes: followed.map(({ part, to }) => Change.parse({ part, to })),
      carburettor,
    });
  const words = benchWords(bench.verdict, said, bench.window);
  const started = points.length > 0;
  const follow = followWords(changes);
  return (
    <div className="stack">
      <div aria-live="polite">
        <h1>
          {started ? words.title : "The idle bench"} <SimulatedMark state={state} />
        </h1>
        <p className="lead quiet">
          {started
            ? words.reason
            : round > 1
              ? `Walk number ${round}: mixture and idle speed change each other, so once more.`
              : LOOKS_FOR}
        </p>
        {started && reading && advice && said && <p className="quiet">{stillWords(advice)}</p>}
      </div>
      {advice && advice.groups > 1 && (
        <Caution plain>
          Carburettor {carburettor + 1}, which feeds {cylindersFedBy(rigBuild, carburettor).join(" and ")}:
          the card says which one is on the bench.
        </Caution>
      )}
      <Choice
        label="The work"
        value={phase}
        options={PHASES.map((value) => ({ value, text: phaseName(value) }))}
        onChange={(value) => {
          keep({ phase: value });
          if (value === "walk") walkOn();
        }}
      />
      {!live && (
        <ConnectBar
          feed={feed}
          state={state}
          what="tachometer"
          ways={[
            {
              text: "Connect a tachometer",
              device: () => new SerialDevice({ name: "Tachometer", measures: ["rpm"], channels: 1 }),
              takes: SERIAL_PORT(),
            },
            {
              text: "Listen by microphone",
              device: microphoneDevice,
              takes: { what: "microphone", there: hasMicrophone() },
            },
            { text: "Simulated tachometer", device: simulatedDevice },
          ]}
        />
      )}
      {live && (
        <Tachometer
          samples={samples}
          state={live}
          sinceMs={(samples.at(-1)?.atMs ?? turnedAt) - turnedAt}
          onStop={() => void feed.stop()}
        />
      )}
      {hearing && <Hearing {...hearing} />}
      {simulated && (
        <SimulatedHands
          idleStopTurns={hands.idleStopTurns}
          onIdleStop={(value) => {
            hands.setIdleStop(value);
            settleAnew();
          }}
          onBlip={hands.setBlipping}
          onRestart={hands.restart}
        />
      )}
      {simulated && live && (
        <Suspense fallback={null}>
          <EngineSound engine={build.engine} rpm={samples.at(-1)?.value ?? 0} error={hands.mixtureError()} />
        </Suspense>
      )}
      {(phase === "warm" || phase === "blip") && (
        <Caution>
          Run it in the open: exhaust holds carbon monoxide. Hot pipe; hands, sleeves and tools clear of
          chain, belt and flywheel. Not so low that oil pressure suffers.
        </Caution>
      )}
      {phase === "warm" && <WarmPanel onDone={() => keep({ phase: "base" })} />}
      {phase === "base" && (
        <BasePanel
          raised={raised}
          onRaised={(value) => keep({ raised: value })}
          onDone={() => {
            keep({ phase: "walk" });
            walkOn();
          }}
        />
      )}
      {phase === "walk" && (
        <WalkPanel
          turns={turns}
          onTurns={turnTo}
          turnedAt={turnedAt}
          live={live}
          usualRpm={points.at(-1)?.rpm ?? build.engine.idleRpm}
          onAdd={(point) => add(point, simulated)}
        />
      )}
      {(phase === "walk" || phase === "set") && (
        <WalkResult
          points={points}
          bench={bench}
          school={school}
          onRemove={(index) => keep({ points: points.filter((_, k) => k !== index) })}
        />
      )}
      {phase === "blip" && (
        <BlipPanel
          raised={raised}
          saving={saving}
          onSymptom={(symptom) =>
            send({ intent: "symptom", symptom, simulated: draft.simulated || simulated })
          }
          onClean={() => keep({ ...FRESH_IDLE, phase: "walk", round: round + 1 })}
        />
      )}
      {phase === "blip" && answer?.saved !== undefined && <p role="status">Logged. The card counts it in.</p>}
      <Problem message={answer?.message} />
      {(phase === "walk" || phase === "set") && (
        <div className="row save">
          {follow !== undefined && (
            <Button variant="contained" disabled={saving} onClick={() => log(changes)}>
              {saving ? "Saving…" : follow}
            </Button>
          )}
          <Button
            variant={follow !== undefined ? "outlined" : "contained"}
            disabled={saving || !reading}
            onClick={() => log([])}
          >
            Log this idle
          </Button>
        </div>
      )}
    </div>
  );
}

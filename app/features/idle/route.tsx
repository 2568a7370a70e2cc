import Button from "@mui/material/Button";
import { useEffect, useMemo, useRef, useState } from "react";
import { data, Link, redirect, useActionData, useFetcher, useNavigation, useSubmit } from "react-router";
import type { Route } from "./+types/route";
import type { IdlePoint } from "#core/idle/best-idle.ts";
import { SCREW_SCHOOLS, type ScrewSchool } from "#core/log/schools.ts";
import type { PlanChange } from "#core/advice/plan.ts";
import { settling } from "#core/instruments/settled.ts";
import { SYMPTOMS } from "#core/log/symptom-names.ts";
import { Change } from "#core/log/schema.ts";
import { adviceGroups, buildOfCarburettor, cylindersFedBy } from "#core/rig/carburettors.ts";
import { humidAirFromLog, rigFromBuild } from "#core/rig/from-build.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { formatTurns } from "#core/units/workshop.ts";
import { ConnectBar, SimulatedMark } from "#app/devices/ConnectBar.tsx";
import { SerialDevice } from "#app/devices/serial.ts";
import { SimulatedTachometer } from "#app/devices/simulated.ts";
import { useFeed } from "#app/devices/use-feed.ts";
import { benchOf, FRESH_IDLE, IdleDraft, idleReading, IdleSent, nextPlace, PHASES } from "./form.ts";
import { IdleChart } from "./IdleChart.tsx";
import { BasePanel, BlipPanel, WarmPanel } from "./PhasePanels.tsx";
import { seedOf, simulatedEngine } from "#app/devices/simulated-engine.ts";
import { SimulatedHands, Tachometer } from "./Tachometer.tsx";
import { ReadingList, WalkPanel } from "./WalkPanel.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { openRig, type OpenRig } from "#app/journal/open-rig.ts";
import { refused, saveEntries, saveEntry, type ActionProblem, readSent } from "#app/journal/save.ts";
import { dropDraft, keepDraft, readDraft } from "#app/store/drafts.ts";
import { useBenchAdvice } from "./use-bench-advice.ts";
import { benchWords, missingWords, phaseName, stillWords } from "./words.ts";
import { SCHOOL_WORDS } from "#app/vocabulary/schools.ts";
import { PART_NAMES, partValue } from "#app/vocabulary/parts.ts";

const airOf = ({ present, build }: Pick<OpenRig, "present" | "build">) =>
  present.air ? humidAirFromLog(present.air) : rigFromBuild(build).baseline.air;

const DRAFT = "idle";

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  return { draft: (await readDraft(IdleDraft, params.rigId, DRAFT)) ?? FRESH_IDLE };
}

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const read = readSent(IdleSent, await request.json(), "These readings");
  if (!read.ok) return read.answer;
  const sent = read.sent;
  const simulated = sent.simulated ? { simulated: true } : {};
  if (sent.intent === "symptom") {
    const { symptom } = sent;
    const reading = { type: "symptom" as const, zone: SYMPTOMS[symptom].zone, symptom };
    const problem = await saveEntry(params.rigId, "look", { reading, ...simulated });
    return problem ? refused(problem, 507) : data({ saved: symptom });
  }
  const rig = await openRig(params.rigId);
  const { present, build } = rig;
  const index = Math.min(sent.carburettor, present.settings.length - 1);
  const one = buildOfCarburettor(build, index);
  const bench = benchOf(
    sent.points,
    one,
    present.settings[index] ?? rig.fitted,
    airOf(rig),
    present.schools.screw,
  );
  const { fit } = bench;
  const reading = idleReading(bench, sent.points);
  // Said of one carburettor, and of its cylinder, as soon as they are not all alike.
  const alone = adviceGroups(build, present.settings).length > 1;
  const [cylinder, more] = alone ? cylindersFedBy(build, index) : [];
  const changes = sent.changes.map((change): Change =>
    alone ? { ...change, carburettor: index + 1 } : change,
  );
  if (!reading && changes.length === 0)
    return refused({ message: fit.ok ? "Nothing to save." : missingWords(fit.missing) });
  const problem = await saveEntries(params.rigId, [
    ...(reading
      ? [
          {
            kind: "look" as const,
            reading,
            ...(cylinder !== undefined && more === undefined && { cylinder }),
            ...simulated,
          },
        ]
      : []),
    ...(changes.length > 0 ? [{ kind: "fit" as const, changes, because: "advice" as const }] : []),
  ]);
  if (problem) return refused(problem, 507);
  const { round, raised } = (await readDraft(IdleDraft, params.rigId, DRAFT)) ?? FRESH_IDLE;
  // With another jet the whole walk begins again; with the screw set a blip tells whether it is right.
  const phase = changes.some(({ part }) => part === "pilot") ? "walk" : "blip";
  if (changes.length === 0) {
    await dropDraft(params.rigId, DRAFT);
    return redirect(`/rigs/${params.rigId}`);
  }
  const next: IdleDraft = { ...FRESH_IDLE, phase, raised, round: round + (phase === "walk" ? 1 : 0) };
  await keepDraft(params.rigId, DRAFT, next);
  return data({ next });
}

/** The words of the button that does what the card says with this reading in it. */
function followWords(changes: readonly PlanChange[]): string | undefined {
  const [first] = changes;
  if (!first) return undefined;
  const done = changes.length === 1 ? "set" : "fitted";
  return `${PART_NAMES[first.part]} ${partValue(first.part, first.to)} is ${done}`;
}

export default function IdleRoute({ loaderData }: Route.ComponentProps) {
  const context = useRig();
  const { advice, build: rigBuild, carburettor, fitted, header, present } = context;
  const build = useMemo(() => buildOfCarburettor(rigBuild, carburettor), [rigBuild, carburettor]);
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const fetcher = useFetcher();
  const answer = useActionData<ActionProblem & { next?: IdleDraft; saved?: string }>();
  const [draft, setDraft] = useState<IdleDraft>(loaderData.draft);
  const { phase, points, raised, round } = draft;
  const keep = (change: Partial<IdleDraft>) => {
    const next = { ...draft, ...change };
    setDraft(next);
    void keepDraft(header.id, DRAFT, next);
  };
  const [handled, setHandled] = useState<unknown>();
  if (answer?.next && handled !== answer) {
    setHandled(answer);
    setDraft(answer.next);
  }

  const school = present.schools.screw;
  const air = useMemo(() => airOf({ present, build }), [present, build]);
  const bench = useMemo(
    () => benchOf(points, build, fitted, air, school),
    [points, build, fitted, air, school],
  );
  const { fit, verdict, window } = bench;
  const next = nextPlace(points, build.baseline.setting.screwTurns, fit);
  const [turns, setTurns] = useState(formatTurns(phase === "walk" ? next : fitted.screwTurns));
  const [turnedAt, setTurnedAt] = useState(() => performance.now());

  const { feed, state } = useFeed();
  const tachometer = useRef<SimulatedTachometer>(undefined);
  const [idleStopTurns, setIdleStop] = useState(0);
  const [blipping, setBlipping] = useState(false);
  const turnTo = (text: string) => {
    setTurns(text);
    setTurnedAt(performance.now());
  };
  useEffect(() => {
    const screw = readTypedNumber(turns);
    const device = tachometer.current;
    if (device && screw.ok && screw.value >= 0 && screw.value <= 10)
      device.controls = { screwTurns: screw.value, idleStopTurns, throttle: blipping ? 0.6 : 0 };
  }, [turns, idleStopTurns, blipping, state.status]);
  const samples = state.channels.get(1) ?? [];
  const live = state.status === "live" ? settling(samples, turnedAt) : undefined;
  const simulated = state.about?.simulated === true && state.status === "live";
  const simulatedDevice = () => {
    const believed = advice?.zones.find(({ zone }) => zone === "idle");
    const engine = simulatedEngine(header.id, build, fitted, air, believed);
    const device = new SimulatedTachometer(
      engine,
      { screwTurns: fitted.screwTurns, idleStopTurns, throttle: 0 },
      seedOf(`${header.id} ${points.length}`),
    );
    tachometer.current = device;
    return device;
  };

  const add = (point: IdlePoint) => {
    const all = [...points, point].sort((a, b) => a.turns - b.turns);
    keep({ points: all, simulated: draft.simulated || simulated });
    const nextFit = benchOf(all, build, fitted, air, school).fit;
    turnTo(formatTurns(nextPlace(all, build.baseline.setting.screwTurns, nextFit)));
  };
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
  const choose = (is: ScrewSchool) =>
    void fetcher.submit(JSON.stringify({ what: "screw", is }), {
      method: "post",
      encType: "application/json",
      action: placeHref(header.id, "schools"),
    });
  const words = benchWords(verdict, said, window);
  const target = verdict.kind === "leave" || verdict.kind === "repeat" ? verdict.setTo : undefined;
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
              ? `Walk number ${round}: mixture and idle speed move each other, so once more.`
              : "Idle speed against the turns of the screw: where it is best, and whether the pilot jet is right."}
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
          if (value === "walk") turnTo(formatTurns(next));
        }}
      />
      {!live && (
        <ConnectBar
          feed={feed}
          state={state}
          what="tachometer"
          simulated={simulatedDevice}
          serial={() => new SerialDevice({ name: "Tachometer", measures: "rpm", channels: 1 })}
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
      {simulated && (
        <SimulatedHands
          idleStopTurns={idleStopTurns}
          onIdleStop={(value) => {
            setIdleStop(value);
            setTurnedAt(performance.now());
          }}
          onBlip={setBlipping}
          onRestart={() => tachometer.current?.restart()}
        />
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
            turnTo(formatTurns(next));
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
          onAdd={add}
        />
      )}
      {(phase === "walk" || phase === "set") && (
        <>
          <IdleChart points={points} fit={fit.fit} target={target} />
          {fit.fit && (
            <p className="flush">
              Crest {Math.round(fit.fit.crestRpm)} rpm at {formatTurns(fit.fit.crestTurns)}; 2 % lost at{" "}
              {formatTurns(fit.fit.fallInTurns)} and {formatTurns(fit.fit.fallOutTurns)}; the middle at{" "}
              {fit.fit.middleTurns.toFixed(2)} ± {(1.28 * fit.fit.sdTurns).toFixed(2)} turns.
            </p>
          )}
          {started && (
            <ReadingList
              points={points}
              fit={fit.fit}
              onRemove={(index) => keep({ points: points.filter((_, k) => k !== index) })}
            />
          )}
          <Choice
            label="How you set the screw"
            value={school}
            options={SCREW_SCHOOLS.map((value) => ({ value, text: SCHOOL_WORDS[value].name }))}
            onChange={choose}
          />
          <p className="quiet flush">{SCHOOL_WORDS[school].how}</p>
        </>
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
          <Button component={Link} to={placeHref(header.id, "idle-speed")} variant="outlined">
            Idle speed and pump
          </Button>
        </div>
      )}
    </div>
  );
}

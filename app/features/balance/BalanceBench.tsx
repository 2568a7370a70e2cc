import css from "./balance.module.css";
import Button from "@mui/material/Button";
import { useEffect, useMemo, useRef, useState } from "react";
import { useActionData, useNavigation, useSubmit } from "react-router";
import { balanceSteps, judgeBalance, type Speed } from "#core/balance/linkage.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { carburettorCount } from "#core/rig/carburettors.ts";
import { drawLinked, untouched, type LinkedControls } from "#core/simulator/linked-carburettors.ts";
import { GaugeBars } from "./GaugeBars.tsx";
import { SimulatedScrews } from "./SimulatedScrews.tsx";
import { AllowedSpread } from "./AllowedSpread.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { ConnectBar, SimulatedMark } from "#app/devices/ConnectBar.tsx";
import { damped } from "#app/devices/damped.ts";
import { SERIAL_PORT, SerialDevice } from "#app/devices/serial.ts";
import { SimulatedGauges } from "#app/devices/simulated.ts";
import { useFeed } from "#app/devices/use-feed.ts";
import { BalanceDraft, BalanceSent, freshBalance, readGauges } from "./form.ts";
import { seedOf } from "#app/devices/simulated-engine.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { type ActionProblem } from "#app/journal/save.ts";
import { keepDraft } from "#app/store/drafts.ts";
import { BALANCE_CAUTIONS, balanceWords, LINKAGES, SPEEDS, stepName } from "./words.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

/** The name of what is half done. */
export const DRAFT = "balance";

export const DAMPING = [
  { value: "500", text: "Lively" },
  { value: "2000", text: "Just alive" },
  { value: "5000", text: "Still" },
] as const;

export type Damping = (typeof DAMPING)[number]["value"];

export function BalanceBench({ kept }: { kept: BalanceDraft | undefined }) {
  const { build, header, preferences, game } = useRig();
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const count = carburettorCount(build);
  const unit = preferences.vacuum;
  const [draft, setDraft] = useState<BalanceDraft>(() => kept ?? freshBalance(build));
  const { linkage, speed, allowedPa, before } = draft;
  const keep = (change: Partial<BalanceDraft>) => {
    const next = { ...draft, ...change };
    setDraft(next);
    void keepDraft(header.id, DRAFT, next);
  };
  const [texts, setTexts] = useState<readonly string[]>(() => Array.from({ length: count }, () => ""));
  const [damping, setDamping] = useState<Damping>("2000");
  const { feed, state } = useFeed();
  const device = useRef<SimulatedGauges>(undefined);
  const engine = useMemo(
    () =>
      game?.view.linked ??
      drawLinked(linkage, count, build.engine.idleRpm, seededRandom(seedOf(`${header.id} ${linkage}`))),
    [linkage, count, build.engine.idleRpm, header.id, game?.view.linked],
  );
  const [controls, setControls] = useState<LinkedControls>(() => untouched(engine));
  useEffect(() => {
    if (device.current) device.current.controls = { ...controls, throttle: speed === "idle" ? 0 : 1 };
  }, [controls, speed, state.status]);

  const live = state.status === "live";
  const simulated = live && state.about?.simulated === true;
  const typed = readGauges(texts, unit);
  const shown = live ? damped(state.channels, count, Number(damping)) : typed.ok ? typed.gaugesPa : undefined;
  const steps = balanceSteps(count, linkage).filter((step) => step.speed === speed);
  const judged = shown && judgeBalance(shown, steps, allowedPa);
  const words = judged && balanceWords(judged, steps, allowedPa, unit);
  const was = before[speed];
  const show = (pa: number) => formatQuantity("vacuum", pa, unit);
  const next = judged?.next === undefined ? undefined : steps[judged.next];
  const connect = () => {
    const made = new SimulatedGauges(engine, seedOf(header.id));
    setControls(untouched(engine));
    device.current = made;
    return made;
  };
  const send = (beforePa: readonly number[], afterPa: readonly number[]) => {
    const whole = (list: readonly number[]) => list.map(Math.round);
    const message: BalanceSent = {
      linkage,
      allowedPa,
      speed,
      beforePa: whole(beforePa),
      afterPa: whole(afterPa),
      simulated: draft.simulated || simulated,
    };
    void submit(JSON.stringify(message), { method: "post", encType: "application/json" });
  };
  return (
    <>
      <div aria-live={live ? "off" : "polite"}>
        <h1>
          {words?.title ?? "Vacuum balance"} <SimulatedMark state={state} />
        </h1>
        <p className="lead quiet">
          {words?.reason ??
            "Warm, a gauge on each intake: neighbours first, then pairs, because each screw moves everything beyond it."}
        </p>
      </div>
      {BALANCE_CAUTIONS.slice(0, judged && !judged.inStep ? 1 : 3).map((caution) => (
        <Caution key={caution}>{caution}</Caution>
      ))}
      <ConnectBar
        feed={feed}
        state={state}
        what={`set of ${count} gauges`}
        ways={[
          {
            text: `Connect a set of ${count} gauges`,
            device: () =>
              new SerialDevice({ name: `${count} vacuum gauges`, measures: ["depression"], channels: count }),
            takes: SERIAL_PORT(),
          },
          { text: `Simulated set of ${count} gauges`, device: connect },
        ]}
      />
      {shown && <GaugeBars gaugesPa={shown} allowedPa={allowedPa} unit={unit} sides={next?.sides} />}
      {simulated && (
        <SimulatedScrews linkage={linkage} controls={controls} onControls={setControls} count={count} />
      )}
      {!live && (
        <div className="gauge-fields" role="group" aria-label="Gauges">
          {texts.map((text, i) => (
            <TypedField
              key={i}
              label={`Gauge ${i + 1}, ${unit}`}
              value={text}
              onChange={(event) => setTexts(texts.map((old, k) => (k === i ? event.target.value : old)))}
              problem={typed.ok ? undefined : typed.problems[i]}
              keys="decimal"
            />
          ))}
        </div>
      )}
      {judged && (
        <ol className={css["balance-steps"]} aria-label="Comparisons in order">
          {steps.map((step, i) => (
            <li key={stepName(step)} aria-current={judged.next === i ? "step" : undefined}>
              <span>{stepName(step)}</span>
              <strong>{show(Math.abs(judged.differencesPa[i] ?? 0))} apart</strong>
            </li>
          ))}
        </ol>
      )}
      {was && judged && (
        <p className="flush">
          Before: {was.map(show).join(" · ")} (spread {show(Math.max(...was) - Math.min(...was))}).
        </p>
      )}
      {live && (
        <Choice
          label="Damp the needles until they just tremble"
          value={damping}
          options={DAMPING}
          onChange={setDamping}
        />
      )}
      <Choice
        label="The slides hang on"
        value={linkage}
        options={LINKAGES}
        onChange={(value) => {
          void feed.stop();
          keep({ linkage: value, speed: "idle", before: {} });
        }}
      />
      {linkage === "cables" && (
        <Choice
          label="Speed"
          value={speed}
          options={SPEEDS}
          onChange={(value: Speed) => keep({ speed: value })}
        />
      )}
      <AllowedSpread unit={unit} allowedPa={allowedPa} onAllowed={(pa) => keep({ allowedPa: pa })} />
      <Problem message={answer?.message} />
      <div className="row save">
        {shown && !was && (
          <Button
            variant="contained"
            onClick={() =>
              keep({ before: { ...before, [speed]: [...shown] }, simulated: draft.simulated || simulated })
            }
          >
            This is how it was
          </Button>
        )}
        {shown && was && (
          <Button variant="contained" disabled={saving} onClick={() => send(was, shown)}>
            {saving ? "Saving…" : "Log the balance"}
          </Button>
        )}
        {was && (
          <Button variant="outlined" onClick={() => keep({ before: {} })}>
            Begin anew
          </Button>
        )}
      </div>
    </>
  );
}

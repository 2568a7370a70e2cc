import Slider from "@mui/material/Slider";
import css from "./sieve.module.css";
import { useMemo, useState } from "react";
import type { Sieve } from "#core/advice/card/sieve.ts";
import { PARTS } from "#core/log/parts.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { PART_NAMES } from "#app/vocabulary/parts.ts";
import { Working } from "#app/ui/Working.tsx";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { Grid } from "./Grid.tsx";
import { HolePanel } from "./HolePanel.tsx";
import { axesKey, axesWords, changedHoles, lookWords, PAIRS, withAxis, type Axes } from "./words.ts";

/** The sieve with so many of the newest looks; nothing asked where there are none to leave out. */
function useSieve(axes: Axes, counted: number | undefined, wanted = true) {
  return useJudge(wanted ? { ask: "sieve", axes, counted } : undefined);
}

function Scrubber({ sieve, onCount }: { sieve: Sieve; onCount: (counted: number) => void }) {
  const { preferences, build } = useRig();
  const { looks, counted } = sieve;
  const last = looks[counted - 1];
  const words = last
    ? lookWords(last, preferences, fuelFromLog(build.fuel).stoichiometric)
    : "Before any of these looks";
  if (looks.length === 0)
    return (
      <p className="quiet flush">
        No look has been logged yet. What is possible follows from your right setting, the air and physics.
      </p>
    );
  return (
    <div className={css["scrub"]}>
      <span className="label" id="scrub">
        {counted} of the newest {looks.length} looks counted
      </span>
      <Slider
        aria-labelledby="scrub"
        value={counted}
        min={0}
        max={looks.length}
        step={1}
        marks
        getAriaValueText={() => words}
        onChange={(_, value) => onCount(value)}
      />
      <p className="flush">{words}</p>
    </div>
  );
}

const OTHER = "other";
const PICKED = PARTS.map((part) => [part, PART_NAMES[part]] as const);

/** The usual pairs by one tap, any two by choosing them. */
function AxesChoice({ axes, onAxes }: { axes: Axes; onAxes: (axes: Axes) => void }) {
  const [picking, setPicking] = useState(false);
  const pick = (which: keyof Axes) => (event: { target: { value: string } }) => {
    const part = PARTS.find((one) => one === event.target.value);
    if (part) onAxes(withAxis(axes, which, part));
  };
  return (
    <>
      <Choice
        label="Sifted"
        value={picking ? OTHER : axesKey(axes)}
        options={[
          ...PAIRS.map((pair) => ({ value: axesKey(pair), text: axesWords(pair) })),
          { value: OTHER, text: "Any two" },
        ]}
        onChange={(next) => {
          setPicking(next === OTHER);
          const pair = PAIRS.find((one) => axesKey(one) === next);
          if (pair) onAxes(pair);
        }}
      />
      {picking && (
        <div className="two">
          <PickField label="Across" value={axes.across} options={PICKED} onChange={pick("across")} />
          <PickField label="Down" value={axes.down} options={PICKED} onChange={pick("down")} />
        </div>
      )}
    </>
  );
}

function TheSieve() {
  const context = useRig();
  const [axes, setAxes] = useState<Axes>(PAIRS[0]);
  const [counted, setCounted] = useState<number>();
  const [chosen, setChosen] = useState<number>();
  const { value: sieve, working, problem } = useSieve(axes, counted);
  const now = sieve?.counted ?? 0;
  const { value: before } = useSieve(axes, now - 1, now > 0);
  const changed = useMemo(
    () =>
      sieve && before?.counted === sieve.counted - 1 && before.holes.length === sieve.holes.length
        ? changedHoles(before, sieve)
        : { closed: [], opened: [] },
    [before, sieve],
  );
  const hole = chosen === undefined ? undefined : sieve?.holes[chosen];
  const openHoles = sieve?.open.filter(Boolean).length ?? 0;
  return (
    <div className="stack">
      <div>
        <h1>The sieve</h1>
        <p className="lead quiet">
          Each hole is a setting, with the other parts set best for it. Large and dark: likely the best in
          today’s air. Dots are closed. Tap a hole to look through it.
        </p>
      </div>
      <AxesChoice
        axes={axes}
        onAxes={(next) => {
          setAxes(next);
          setChosen(undefined);
        }}
      />
      {problem !== undefined && <Caution grave>The sieve could not be worked out: {problem}</Caution>}
      {!sieve && problem === undefined && <Working words="Sifting…" />}
      {sieve && (
        <>
          <Grid
            key={`${axesKey(axes)} ${sieve.holes.length}`}
            sieve={sieve}
            chosen={chosen}
            closed={new Set(changed.closed)}
            working={working}
            onChoose={setChosen}
          />
          <p className="flush" aria-live="polite">
            {openHoles} of {sieve.holes.length} holes are open. The best setting is one of them: sure (95 %).
            {changed.closed.length > 0 &&
              ` The look below closed ${changed.closed.length}, crossed out here.`}
            {changed.opened.length > 0 && ` It opened ${changed.opened.length} again.`}
          </p>
          <Scrubber sieve={sieve} onCount={setCounted} />
        </>
      )}
      {hole && chosen !== undefined && sieve && (
        <HolePanel
          context={context}
          setting={hole}
          best={sieve.best[chosen] ?? 0}
          open={sieve.open[chosen] === true}
        />
      )}
    </div>
  );
}

/** Of another carburettor it is another sieve: nothing chosen here speaks of that one. */
export default function SieveRoute() {
  const { header, carburettor } = useRig();
  return <TheSieve key={`${header.id} ${carburettor}`} />;
}

import css from "./logger.module.css";
import Button from "@mui/material/Button";
import { useDeferredValue, useMemo, useState } from "react";
import { ZONES } from "#core/carburettor/zones.ts";
import type { LambdaBin } from "#core/logger/lambda-by.ts";
import type { Mapping } from "#core/logger/mapping.ts";
import type { Pull } from "#core/logger/pulls.ts";
import type { Reduced } from "#core/logger/reduce.ts";
import { fromSI } from "#core/units/quantity.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { LazyChart } from "#app/ui/LazyChart.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { DOUBT_WORDS, fixesFor, leftOutWords, troubleWords } from "./words.ts";
import { mixtureWords, ZONE_NAMES, ZONE_OPENINGS } from "#app/vocabulary/parts.ts";
import { timeWords } from "#app/vocabulary/runs.ts";
import { pullOption, throttleOption } from "./charts.ts";
import { fixed, formatQuantity } from "#app/vocabulary/numerals.ts";

/** λ, or the air-fuel ratio of the fuel in use: how this tuner reads a meter. */
function useMixtureScale(): { scale: number; name: string; show: (lambda: number) => string } {
  const { build, preferences } = useRig();
  const afr = preferences.mixture === "afr";
  const scale = afr ? fuelFromLog(build.fuel).stoichiometric : 1;
  return { scale, name: afr ? "AFR" : "λ", show: (lambda) => fixed(scale * lambda, afr ? 1 : 3) };
}

const spreadWords = (spread: number): string => `± ${fixed(100 * spread, 1)} %`;

/** What could not be used, and units that would explain the figures better. */
export function Doubts({
  reduced,
  mapping,
  onFix,
}: {
  reduced: Reduced;
  mapping: Mapping;
  onFix: (mapping: Mapping) => void;
}) {
  return (
    <>
      {reduced.doubts.map((doubt) => {
        const fixes = fixesFor(doubt, mapping, reduced);
        return (
          <Caution key={doubt} grave>
            {DOUBT_WORDS[doubt]}{" "}
            {fixes.length > 0 ? "Read again as:" : "Go back to the columns and look at their units."}
            <span className="row" style={{ marginTop: 6 }}>
              {fixes.map(({ words, mapping: fixed }) => (
                <Button key={words} variant="outlined" onClick={() => onFix(fixed)}>
                  {words}
                </Button>
              ))}
            </span>
          </Caution>
        );
      })}
      {troubleWords(reduced).map((words) => (
        <Caution key={words}>{words}</Caution>
      ))}
    </>
  );
}

function ZoneTable({ reduced }: { reduced: Reduced }) {
  const { build } = useRig();
  const { name, show } = useMixtureScale();
  return (
    <div className="scroll-x" tabIndex={0} role="region" aria-label="Mixture by zone">
      <table className="figures">
        <caption className="label">Mixture by zone, openings that were held</caption>
        <thead>
          <tr>
            <th scope="col">Zone</th>
            <th scope="col">{name}</th>
            <th scope="col">Strays</th>
            <th scope="col">Held</th>
            <th scope="col">Readings</th>
            <th scope="col">Against its target</th>
          </tr>
        </thead>
        <tbody>
          {ZONES.map((zone) => {
            const stretch = reduced.lambda.zones[zone];
            return (
              <tr key={zone}>
                <th scope="row">
                  {ZONE_NAMES[zone]} <small className="quiet">{ZONE_OPENINGS[zone]}</small>
                </th>
                {stretch ? (
                  <>
                    <td>{show(stretch.mean)}</td>
                    <td>{spreadWords(stretch.spread)}</td>
                    <td>{timeWords(stretch.seconds)}</td>
                    <td>{stretch.count}</td>
                    <td>{mixtureWords(Math.log(stretch.mean / build.targetLambda[zone]), 0.005)}</td>
                  </>
                ) : (
                  <td colSpan={5} className="quiet">
                    not held for half a second
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function RpmTable({ bins }: { bins: readonly LambdaBin[] }) {
  const { name, show } = useMixtureScale();
  if (bins.length === 0) return null;
  return (
    <details className="protocol">
      <summary>By engine speed</summary>
      <table className="figures">
        <caption className="label">Mixture by engine speed</caption>
        <thead>
          <tr>
            <th scope="col">rpm</th>
            <th scope="col">{name}</th>
            <th scope="col">Strays</th>
            <th scope="col">Held</th>
            <th scope="col">Readings</th>
          </tr>
        </thead>
        <tbody>
          {bins.map(({ from, to, mean, spread, seconds, count }) => (
            <tr key={from}>
              <th scope="row">
                {from} to {to}
              </th>
              <td>{show(mean)}</td>
              <td>{spreadWords(spread)}</td>
              <td>{timeWords(seconds)}</td>
              <td>{count}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

function PullRow({
  pull,
  index,
  chosen,
  onChoose,
}: {
  pull: Pull;
  index: number;
  chosen: boolean;
  onChoose: () => void;
}) {
  const { preferences } = useRig();
  const { show } = useMixtureScale();
  const speed = (ms: number) => Math.round(fromSI("speed", ms, preferences.speed));
  const splits = [
    ...pull.toSpeed.map(({ to, seconds }) => `0 to ${speed(to)} ${fixed(seconds, 2)} s`),
    ...pull.toDistance.map(
      ({ to, seconds }) => `${formatQuantity("length", to, preferences.length)} ${fixed(seconds, 2)} s`,
    ),
  ];
  return (
    <tr>
      <th scope="row">
        <Button
          variant={chosen ? "contained" : "outlined"}
          aria-pressed={chosen}
          disabled={pull.series === undefined}
          onClick={onChoose}
        >
          {index + 1}
        </Button>
      </th>
      <td>{timeWords(pull.startS)}</td>
      <td>{fixed(pull.seconds, 1)} s</td>
      <td>
        {pull.fromMs === undefined || pull.toMs === undefined
          ? `${Math.round(pull.fromRpm ?? 0)} to ${Math.round(pull.toRpm ?? 0)} rpm`
          : `${speed(pull.fromMs)} to ${speed(pull.toMs)} ${preferences.speed}`}
      </td>
      <td>{pull.lambda === undefined ? "–" : show(pull.lambda)}</td>
      <td>{pull.leanest === undefined ? "–" : show(pull.leanest)}</td>
      <td>{splits.length > 0 ? splits.join(" · ") : "from a roll"}</td>
    </tr>
  );
}

/** Shown at first: a day's file has hundreds. */
const FIRST_PULLS = 10;

function Pulls({ pulls }: { pulls: readonly Pull[] }) {
  const { preferences } = useRig();
  const { scale, name } = useMixtureScale();
  const [chosen, setChosen] = useState(() =>
    Math.max(
      0,
      pulls.findIndex(({ series }) => series),
    ),
  );
  const [all, setAll] = useState(false);
  const pull = pulls[chosen];
  const series = pull?.series;
  const drawn = useMemo(
    () => series && pullOption(series, scale, fromSI("speed", 1, preferences.speed)),
    [series, scale, preferences.speed],
  );
  if (pulls.length === 0) return <p className="quiet">No pull at full throttle was found in it.</p>;
  return (
    <section className="stack" aria-label="Pulls">
      <h2>Pulls</h2>
      <div className="scroll-x" tabIndex={0} role="region" aria-label="Pulls, timed">
        <table className="figures">
          <thead>
            <tr>
              <th scope="col">Pull</th>
              <th scope="col">Began</th>
              <th scope="col">Lasted</th>
              <th scope="col">Gained</th>
              <th scope="col">{name}</th>
              <th scope="col">Leanest</th>
              <th scope="col">Standing start</th>
            </tr>
          </thead>
          <tbody>
            {pulls.slice(0, all ? pulls.length : FIRST_PULLS).map((one, i) => (
              <PullRow
                key={one.startS}
                pull={one}
                index={i}
                chosen={i === chosen}
                onChoose={() => setChosen(i)}
              />
            ))}
          </tbody>
        </table>
      </div>
      {!all && pulls.length > FIRST_PULLS && (
        <Button variant="outlined" onClick={() => setAll(true)} className="start">
          Show all {pulls.length}
        </Button>
      )}
      {drawn && (
        <figure className={css["chart"]}>
          <figcaption className="label">
            Pull {chosen + 1}: mixture (full line) and{" "}
            {pull?.fromMs === undefined ? "rpm" : `speed in ${preferences.speed}`} (dashed)
          </figcaption>
          <LazyChart option={drawn} height={260} />
        </figure>
      )}
    </section>
  );
}

/** What a logger's file says: λ by zone, along the throttle and by engine speed, and its pulls. */
export function Results({ reduced }: { reduced: Reduced }) {
  // The table comes first, the pulls in a turn of their own: no single turn holds the screen.
  const later = useDeferredValue(true, false);
  const { build, preferences } = useRig();
  const { scale } = useMixtureScale();
  const { throttle, rpm } = reduced.lambda;
  const drawn = useMemo(
    () => throttleOption(throttle, build.targetLambda, scale),
    [throttle, build.targetLambda, scale],
  );
  const hottest = (kelvin: number) => formatQuantity("temperature", kelvin, preferences.temperature);
  const { exhaust, head } = reduced.hottest;
  return (
    <>
      {throttle.length > 0 && (
        <>
          <ZoneTable reduced={reduced} />
          <figure className={css["chart"]}>
            <figcaption className="label">
              Mixture along the throttle, and the corridor in which it is right; dashed: how much it varies
            </figcaption>
            <LazyChart option={drawn} height={300} />
          </figure>
        </>
      )}
      <p className="quiet flush">
        {leftOutWords(reduced)}
        {exhaust !== undefined && ` Hottest exhaust gas ${hottest(exhaust)}.`}
        {head !== undefined && ` Hottest head ${hottest(head)}.`}
      </p>
      <RpmTable bins={rpm} />
      {later && <Pulls pulls={reduced.pulls} />}
    </>
  );
}

import { useRig } from "#app/frame/use-rig.ts";
import { FaultPanel } from "#app/frame/FaultPanel.tsx";
import { Deeper } from "./Deeper.tsx";
import { Learnt } from "./Learnt.tsx";
import { Whose } from "./Whose.tsx";
import { OutlookTable } from "./OutlookTable.tsx";
import { Working } from "#app/ui/Working.tsx";
import { SURPRISING } from "#core/belief/update.ts";
import { DOUBT_SDS, mixtureWords, percentWords, ZONE_NAMES, zoneInSentence } from "#app/vocabulary/parts.ts";
import { outcomeWords } from "#app/vocabulary/outcomes.ts";
import { nextWords } from "#app/vocabulary/next.ts";
import { surpriseWords } from "#app/vocabulary/surprise.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { isUnclear } from "#app/frame/strip/zone-state.ts";
import { dayTitle } from "#app/vocabulary/days.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

function Zones() {
  const { advice } = useRig();
  return (
    <table className="figures">
      <caption className="label">Each zone as it is fitted now</caption>
      <thead>
        <tr>
          <th scope="col">Zone</th>
          <th scope="col">Mixture</th>
          <th scope="col">± (80 %)</th>
          <th scope="col">Rich</th>
          <th scope="col">Right</th>
          <th scope="col">Lean</th>
          <th scope="col">Past limit</th>
        </tr>
      </thead>
      <tbody>
        {advice?.zones.map(({ zone, mean, sd, pRich, pRight, pLean, pPastLimit, looks }) => (
          <tr key={zone}>
            <th scope="row">{ZONE_NAMES[zone]}</th>
            <td>{isUnclear({ mean, looks, pRight }) ? "not known" : mixtureWords(mean, 0.005)}</td>
            <td>{fixed(100 * DOUBT_SDS * sd, 1)} %</td>
            <td>{percentWords(pRich)}</td>
            <td>{percentWords(pRight)}</td>
            <td>{percentWords(pLean)}</td>
            <td>{percentWords(pPastLimit)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Looks() {
  const { advice, present, preferences } = useRig();
  const outcomes = [...(advice?.looks ?? [])].reverse();
  const shown = new Set(outcomes.map(({ lookId }) => lookId)).size;
  if (outcomes.length === 0)
    return <p className="quiet">No look has been logged yet. All this is calculated, with its doubt.</p>;
  return (
    <table className="figures">
      <caption className="label">
        The looks, newest first, and how much each counted
        {present.looks.length > shown &&
          ` (${shown} of ${present.looks.length}; the older ones, and what you said again later, are in the log)`}
      </caption>
      <thead>
        <tr>
          <th scope="col">Look</th>
          <th scope="col">Read</th>
          <th scope="col">All else said</th>
          <th scope="col">Doubt it took away</th>
          <th scope="col">Fits</th>
        </tr>
      </thead>
      <tbody>
        {outcomes.map(({ lookId, zone, reads, expected, expectedSd, weight, tail }) => {
          const words = outcomeWords({ lookId, reads }, present, preferences);
          if (!words) return null;
          return (
            <tr key={`${lookId} ${zone}`}>
              <th scope="row">
                {words.what}
                {words.zoned && `: ${zoneInSentence(zone)}`}
                <small className="quiet under">
                  {dayTitle(words.at)}, {words.at.slice(11, 16)}
                  {words.staleAir !== undefined && ` · ${words.staleAir}`}
                </small>
              </th>
              <td>{words.read}</td>
              <td>
                {mixtureWords(expected, 0.005)} ± {fixed(100 * DOUBT_SDS * expectedSd, 0)} %
              </td>
              <td>{percentWords(weight)}</td>
              <td>{tail < SURPRISING ? "no: check it" : "yes"}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

export default function WhyRoute() {
  const context = useRig();
  const { advice, present, preferences, problem } = context;
  if (!advice) return problem === undefined ? <Working words="Working out the reasons…" /> : null;
  const { title, reason } = nextWords(advice);
  return (
    <div className="stack">
      <div>
        <h1>Why</h1>
        <p className="lead">
          <strong>{title}.</strong> <span className="quiet">{reason}</span>
        </p>
      </div>
      {advice.surprises.map((surprise) => (
        <Caution key={surprise.lookId}>{surpriseWords(surprise, present, preferences)}</Caution>
      ))}
      <FaultPanel context={context} />
      <div className="scroll-x">
        <Zones />
      </div>
      <Learnt advice={advice} />
      <Whose />
      <Deeper context={context} advice={advice} />
      <div className="scroll-x">
        <OutlookTable advice={advice} />
      </div>
      <div className="scroll-x">
        <Looks />
      </div>
      <p className="quiet">
        At idle lean costs what rich costs. In the middle it costs a fifth more, at full throttle two and a
        half times as much. Beyond the lean limit it costs far more. We never advise a change that leaves more
        than 5 % chance to be past it at full throttle. Each part is set for its own zone: idle for the idle.
        Looks with one instrument share its error, so many of them do not make it certain. Old looks fade with
        the months.
      </p>
    </div>
  );
}

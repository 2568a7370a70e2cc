/** Look by look: what the card would be without it; and what one more of each kind would be worth. */
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { ZONES } from "#core/carburettor/zones.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import type { WithoutLook } from "#core/advice/card/deeper.ts";
import { WORTH_A_MINUTE, type NextLook } from "#core/advice/ride/next-look.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { placeHref } from "#app/frame/places.ts";
import { lookQuery } from "#app/frame/look-query.ts";
import type { RigContext } from "#app/frame/use-rig.ts";
import { dayTitle } from "#app/vocabulary/days.ts";
import { fieldWords } from "#app/vocabulary/fields.ts";
import { LOOK_HOW_WORDS } from "#app/vocabulary/next.ts";
import {
  capital,
  partInSentence,
  partValue,
  shiftWords,
  ZONE_NAMES,
  zoneInSentence,
} from "#app/vocabulary/parts.ts";
import { readingResult, readingWords } from "#app/vocabulary/readings.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

/** Less than this a look has moved nothing. */
const LEAST = 0.002;

function Without({ context, rows }: { context: RigContext; rows: readonly WithoutLook[] }) {
  const { present, preferences, build } = context;
  const { stoichiometric } = fuelFromLog(build.fuel);
  if (rows.length === 0) return null;
  return (
    <div className="scroll-x">
      <table className="figures">
        <caption className="label">What each look changed, and the card without it</caption>
        <thead>
          <tr>
            <th scope="col">Look</th>
            {ZONES.map((zone) => (
              <th key={zone} scope="col">
                {ZONE_NAMES[zone]}
              </th>
            ))}
            <th scope="col">Without it</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ lookId, moved, card }) => {
            const entry = present.looks.find((look) => look.entry.id === lookId)?.entry;
            if (!entry) return null;
            const result = readingResult(entry.reading, preferences, stoichiometric);
            return (
              <tr key={lookId}>
                <th scope="row">
                  {readingWords(entry.reading, entry.cylinder)}
                  <small className="quiet under">
                    {dayTitle(entry.at)}, {entry.at.slice(11, 16)}
                    {result !== "" && ` · ${result}`}
                  </small>
                </th>
                {ZONES.map((zone) => (
                  <td key={zone}>{Math.abs(moved[zone]) < LEAST ? "–" : shiftWords(moved[zone])}</td>
                ))}
                <td>
                  {card.length === 0 ? (
                    <span className="quiet">the same card</span>
                  ) : (
                    <strong>
                      {card
                        .map(({ part, without }) => `${partInSentence(part)} ${partValue(part, without)}`)
                        .join(", ")}
                    </strong>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Worth({ rigId, looks }: { rigId: string; looks: readonly NextLook[] }) {
  if (looks.length === 0) return null;
  return (
    <div className="scroll-x">
      <table className="figures">
        <caption className="label">What one more look would be worth</caption>
        <thead>
          <tr>
            <th scope="col">Look</th>
            <th scope="col">Where</th>
            <th scope="col">Saves</th>
            <th scope="col">Takes</th>
            <th scope="col">Worth it</th>
          </tr>
        </thead>
        <tbody>
          {looks.map((look) => {
            const { how, zone, cylinder, gain, minutes } = look;
            const to = `${placeHref(rigId, how === "idleBench" ? "idle" : how === "timedPair" ? "stopwatch" : "look")}${lookQuery(look)}`;
            return (
              <tr key={how}>
                <th scope="row">
                  <Button component={Link} to={to} className="cell-button">
                    {capital(LOOK_HOW_WORDS[how])}
                  </Button>
                </th>
                <td>
                  {zone === undefined ? "all of the ride" : zoneInSentence(zone)}
                  {cylinder !== undefined && `, cylinder ${cylinder}`}
                </td>
                <td>{fixed(gain, 3)}</td>
                <td>{minutes} minutes</td>
                <td>{gain / minutes >= WORTH_A_MINUTE ? "yes" : "no"}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function LeansOn({ rigId, leanings }: { rigId: string; leanings: Advice["leanings"] }) {
  if (leanings.length === 0)
    return <p className="quiet flush">Every measurement behind this card has been taken.</p>;
  return (
    <p className="flush">
      The card depends most on{" "}
      {leanings
        .map(
          ({ path, zone, effect }) =>
            `${fieldWords(path)} (as far off as it may be, ${zoneInSentence(zone)} is ${shiftWords(effect)})`,
        )
        .join("; ")}
      . <Link to={placeHref(rigId, "measure")}>Measure it</Link>.
    </p>
  );
}

export function Deeper({ context, advice }: { context: RigContext; advice: Advice }) {
  const { header } = context;
  const { value, problem } = useJudge({ ask: "deeper" });
  return (
    <section className="stack">
      <div>
        <h2>Look by look</h2>
        <p className="quiet close">
          Here each of the newest looks is left out in turn. A loss of 1 is what 4 % rich costs in the only
          zone that you use. Each minute of work must save {WORTH_A_MINUTE} of it.
        </p>
      </div>
      <LeansOn rigId={header.id} leanings={advice.leanings} />
      {problem !== undefined && <p className="quiet">{problem}</p>}
      {!value && problem === undefined && <p className="quiet">Leaving each look out in turn…</p>}
      {value && <Without context={context} rows={value.without} />}
      {value && <Worth rigId={header.id} looks={value.looks} />}
    </section>
  );
}

/** Debrief of a practice game: the four players, the truth first and last, and stop by stop what could be told. */
import { useEffect } from "react";
import { ZONES, type PerZone } from "#core/carburettor/zones.ts";
import type { Stop } from "#core/practice/debrief.ts";
import { PLAYERS } from "#core/practice/score.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { useAnswer } from "#app/frame/use-answer.ts";
import { keepScore, type OpenGame } from "#app/store/practice-log.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Working } from "#app/ui/Working.tsx";
import { nextWords } from "#app/vocabulary/next.ts";
import { capital, PART_NAMES, partValue, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { FAULT_WORDS } from "#app/vocabulary/faults.ts";
import { LEARNT_FROM, PLAYER_WORDS } from "#app/vocabulary/practice.ts";
import { BESIDE_LIMIT_MS, besidePractice } from "#app/workers/practice-client.ts";
import type { Debriefed, PlayerScore } from "#app/workers/practice.ts";
import { TruthStrip } from "./TruthStrip.tsx";
import { mixtureShort, offWords, stopTitle } from "./words.ts";
import css from "./practice.module.css";

function PlayerRow({ name, one, own }: { name: string; one: PlayerScore; own?: boolean }) {
  return (
    <tr className={own ? css["own"] : undefined}>
      <th scope="row">{name}</th>
      <td>
        <strong>{one.score}</strong>
      </td>
      <td>{Math.round(one.minutes)}</td>
      {ZONES.map((zone) => (
        <td key={zone}>{one.hurt ? "–" : mixtureShort(one.errors[zone])}</td>
      ))}
      <td>{one.hurt ? "engine hurt" : ""}</td>
    </tr>
  );
}

function Players({ learner, others }: Pick<Debriefed, "learner" | "others">) {
  return (
    <div className="scroll-x" tabIndex={0} role="region" aria-label="The players">
      <table className="figures">
        <caption className="label">Four players, the same engine</caption>
        <thead>
          <tr>
            <th scope="col">Player</th>
            <th scope="col">Points</th>
            <th scope="col">Minutes</th>
            {ZONES.map((zone) => (
              <th key={zone} scope="col">
                {ZONE_NAMES[zone]}
              </th>
            ))}
            <th scope="col">
              <span className="visually-hidden">What happened</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <PlayerRow name="You" one={learner} own />
          {PLAYERS.map((player) => (
            <PlayerRow key={player} name={PLAYER_WORDS[player]} one={others[player]} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function changeWords({ changes, setting }: Stop): string {
  return changes
    .map(({ part, to }) => `${PART_NAMES[part]} ${partValue(part, setting[part])} → ${partValue(part, to)}`)
    .join(", ");
}

/** What the card would have proposed on that log, at that moment. */
function Better({ advice }: { advice: Advice }) {
  const { title } = nextWords(advice);
  return (
    <p className="flush">
      <span className="quiet">Tamis, on your notes then:</span> {title}
    </p>
  );
}

function StopItem({ stop, advice, at }: { stop: Stop; advice: Advice | undefined; at: number }) {
  const moved = ZONES.filter((zone) => Math.abs(stop.after[zone] - stop.before[zone]) >= 0.01);
  return (
    <li className={css["stop"]}>
      <strong>{stopTitle(stop, at)}</strong>
      {stop.changes.length > 0 && <p className="flush">{changeWords(stop)}</p>}
      {moved.length > 0 && (
        <p className="flush">
          {moved
            .map(
              (zone) =>
                `${ZONE_NAMES[zone]}: ${mixtureShort(stop.before[zone])} → ${mixtureShort(stop.after[zone])}`,
            )
            .join(" · ")}
        </p>
      )}
      {stop.off.map((off) => (
        <p key={`${off.type} ${off.zone}`} className="flush">
          {offWords(off)}
        </p>
      ))}
      {advice && <Better advice={advice} />}
    </li>
  );
}

function verdict({ learner, others }: Debriefed): string {
  if (learner.hurt) return "The engine is hurt: no points. Go up with the throttle in steps.";
  if (learner.score >= others.tamis.score) return "As good as the card, or better.";
  return learner.score >= LEARNT_FROM
    ? "Learnt. The card did a little better: see where."
    : "Not learnt yet. See where a better step was, then try again.";
}

function Fault({ fault, mended }: Pick<Debriefed, "fault" | "mended">) {
  if (fault === undefined) return null;
  return (
    <Caution plain={mended}>
      {capital(FAULT_WORDS[fault].name)}: {mended ? "you found it and mended it." : "it is still in there."}{" "}
      {FAULT_WORDS[fault].does}
    </Caution>
  );
}

const worstOf = (errors: PerZone<number>): number => Math.max(...ZONES.map((zone) => Math.abs(errors[zone])));

export function Debrief({ game }: { game: OpenGame }) {
  const { record } = game;
  const { level } = record.asked;
  const { value, problem } = useAnswer(`${record.entries.length} ${record.done.length}`, () =>
    besidePractice.call(async (remote) => await remote.debriefed(record), BESIDE_LIMIT_MS),
  );
  const score = value?.learner.score;
  useEffect(() => {
    if (score !== undefined) void keepScore(level, score);
  }, [level, score]);
  if (problem !== undefined) return <Caution grave>The debrief could not be worked out: {problem}</Caution>;
  if (!value) return <Working words="The other players are finishing…" />;
  const { debrief, advice, fault, mended } = value;
  const scale = Math.max(0.12, worstOf(debrief.start), worstOf(debrief.end));
  return (
    <div className="stack">
      <div>
        <h1>{value.learner.score} points</h1>
        <p className="lead quiet">{verdict(value)}</p>
      </div>
      <Fault fault={fault} mended={mended} />
      <TruthStrip start={debrief.start} end={debrief.end} scale={scale} />
      <Players learner={value.learner} others={value.others} />
      <section className="stack tight">
        <h2>Stop by stop</h2>
        {debrief.stops.length === 0 && <p className="quiet flush">You changed nothing.</p>}
        <ol className={css["stops"]}>
          {debrief.stops.map((stop, i) => (
            <StopItem key={stop.minutes + i} stop={stop} advice={advice[i]} at={i} />
          ))}
        </ol>
      </section>
    </div>
  );
}

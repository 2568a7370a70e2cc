/** The card as it is taped to the air box: black on white, on A6, with the strip and the air it is for. */
import css from "./paper.module.css";
import type { Advice } from "#core/advice/card/advise.ts";
import { Step } from "#app/ui/Step.tsx";
import { dayTitle } from "#app/vocabulary/days.ts";
import { airWords } from "#app/vocabulary/entries.ts";
import { nextWords } from "#app/vocabulary/next.ts";
import { certainty, mixtureWords, PART_NAMES, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { checkList } from "#app/vocabulary/walk-round.ts";
import { MiniStrip } from "../strip/Strip.tsx";
import type { RigContext } from "../use-rig.ts";
import { leansTop } from "./words.ts";
import { AT_THE_CARBURETTOR } from "#app/vocabulary/cautions.ts";

interface PaperCardProps {
  readonly context: RigContext;
  readonly advice: Advice;
}

const whichWords = ({ carburettors, groups }: Advice): string =>
  groups < 2 ? "" : ` · carburettor ${carburettors.map((one) => one + 1).join(" and ")}`;

export function PaperCard({ context, advice }: PaperCardProps) {
  const { header, present, preferences } = context;
  const { air, overridden } = present;
  const { title } = nextWords(advice);
  return (
    <article className={css["paper"]} aria-label="The card, for the air box">
      <header className={css["head"]}>
        <span className={css["plate"]}>{header.plate}</span>
        <div>
          <strong>
            {header.name}
            {whichWords(advice)}
          </strong>
          <br />
          {air
            ? `${dayTitle(air.at)}, ${air.at.slice(11, 16)} · ${airWords(air, preferences)}${air.place === "" ? "" : ` · ${air.place}`}`
            : "no air read"}
        </div>
      </header>
      <MiniStrip advice={advice} height={58} />
      <p className={css["zones"]}>
        {advice.zones.map(({ zone, mean }) => (
          <span key={zone}>
            {ZONE_NAMES[zone]} <strong>{mixtureWords(mean)}</strong>
          </span>
        ))}
      </p>
      <table className={css["rows"]}>
        <tbody>
          {advice.card.rows.map(({ part, from, to, chance }) => (
            <tr key={part} className={from === to ? undefined : css["moves"]}>
              <th scope="row">{PART_NAMES[part]}</th>
              <td>
                <Step part={part} from={from} to={to} />
              </td>
              <td>{certainty(chance)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <footer className={css["foot"]}>
        <p>{title}.</p>
        {leansTop(advice) && (
          <p>
            <strong>Going leaner: from rich, one step, then look.</strong> Stop at any ping or specks.
          </p>
        )}
        {overridden && (
          <p>
            <strong>Walk-round failed: {checkList(overridden.checks)}.</strong> “{overridden.reason}”
          </p>
        )}
        <p>
          {AT_THE_CARBURETTOR}
          {header.simulated && " SIMULATED."}
        </p>
      </footer>
    </article>
  );
}

/** What this engine and these instruments have taught: what a step is worth here, who reads dark. */
import { Link } from "react-router";
import { isDoubted } from "#core/belief/doubted-claim.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { dayTitle } from "#app/vocabulary/days.ts";
import { claimWords, doubtedWords } from "#app/vocabulary/proven.ts";
import { DOUBT_SDS } from "#app/vocabulary/parts.ts";
import {
  INSTRUMENT_WORDS,
  offsetWords,
  scatterWords,
  SETTLED_BY,
  worthWords,
} from "#app/vocabulary/instruments.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

export function Learnt({ advice }: { advice: Advice }) {
  const doubted = advice.warnings.find((warning) => warning.code === "wordDoubted");
  const worths = advice.worths.filter(({ learnt }) => learnt);
  return (
    <section className="stack" aria-label="What was learnt of engine and instruments">
      <h2 className="label">What this engine has taught</h2>
      <ul className="plain">
        {worths.map((worth) => (
          <li key={worth.part}>
            <strong>{worthWords(worth, advice.card.rows)}</strong>{" "}
            <span className="quiet">
              {worth.notAsMeasured
                ? "so far off was it not measured right: measure it again"
                : `from this engine’s own changes, ± ${fixed(100 * DOUBT_SDS * worth.sd, 0)} % of it`}
            </span>
          </li>
        ))}
        {worths.length === 0 && (
          <li className="quiet">
            On this engine a turn of the screw, a groove and a jet size do what we calculated.
          </li>
        )}
        {doubted && (
          <li>
            <strong>{doubtedWords(doubted)}</strong>
          </li>
        )}
        {advice.claims
          .filter((claim) => !isDoubted(claim))
          .map((claim) => (
            <li key={claim.id}>
              {claimWords(claim)} <span className="quiet">{dayTitle(claim.at)}</span>
            </li>
          ))}
        {advice.instruments.map((one) => (
          <li key={`${one.kind} ${one.name ?? ""}`}>
            {one.known ? (
              <strong>{offsetWords(one)}</strong>
            ) : (
              <span>{one.name ?? INSTRUMENT_WORDS[one.kind].name}: no error found so far</span>
            )}{" "}
            <span className="quiet">
              (could be off by {fixed(100 * DOUBT_SDS * one.sd, 1)} %)
              {one.scatter > 1 && `. ${scatterWords(one)}`}
              {one.open && `. To check it, use ${SETTLED_BY[one.kind]}`}
              {one.open && one.kind === "reader" && (
                <>
                  , or <Link to="/trainer">train your eye on drawn plugs</Link>
                </>
              )}
            </span>
          </li>
        ))}
      </ul>
      <p className="quiet">
        Instruments have names under <Link to="/data/instruments">Data</Link>, and count for all rigs.
      </p>
    </section>
  );
}

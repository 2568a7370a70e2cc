/** What to look for when buying: by measure, never by anybody's name for it. */
import type { Measure, MeasureToBuy } from "#core/advice/parts/measures-to-buy.ts";
import { ZONES } from "#core/carburettor/zones.ts";
import { mm } from "#app/vocabulary/bench-parts.ts";
import { certainty, shiftWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { LEAST_SHIFT } from "./PartList.tsx";

const NAMES: Readonly<Record<Measure, string>> = {
  straight: "Needle, straight",
  taper: "Needle, taper begins",
  needleJet: "Needle jet",
  cutaway: "Slide, cutaway",
};

const STEP_WORDS: Readonly<Record<Measure, string>> = {
  straight: "thicker",
  taper: "later",
  needleJet: "wider",
  cutaway: "higher",
};

export function Buying({ buying }: { buying: readonly MeasureToBuy[] }) {
  const wanted = buying
    .filter((one) => one.wanted)
    .sort((a, b) => (b.wanted?.gain ?? 0) - (a.wanted?.gain ?? 0));
  return (
    <section className="stack">
      <div>
        <h2>What to look for when buying</h2>
        {wanted.length === 0 && (
          <p className="quiet close">
            No other part would be worth its price, by what we know now. What a step of each does here:
          </p>
        )}
        {wanted.map(({ measure, nowMm, wanted: best }) => (
          <p key={measure} className="close">
            <strong>
              {NAMES[measure]} {mm(best?.toMm ?? nowMm)}
            </strong>{" "}
            instead of {mm(nowMm)}. Better, all set for it: {certainty(best?.chanceBetter ?? 0)}.
          </p>
        ))}
      </div>
      <div className="scroll-x">
        <table className="figures">
          <caption className="label">What one step does, the rest as it is fitted</caption>
          <thead>
            <tr>
              <th scope="col">Measure</th>
              <th scope="col">Fitted</th>
              <th scope="col">A step</th>
              {ZONES.map((zone) => (
                <th key={zone} scope="col">
                  {ZONE_NAMES[zone]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {buying.map(({ measure, nowMm, stepMm, stepEffect }) => (
              <tr key={measure}>
                <th scope="row">{NAMES[measure]}</th>
                <td>{mm(nowMm)}</td>
                <td>
                  {mm(stepMm)} {STEP_WORDS[measure]}
                </td>
                {ZONES.map((zone) => (
                  <td key={zone}>
                    {Math.abs(stepEffect[zone]) < LEAST_SHIFT ? "–" : shiftWords(stepEffect[zone])}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

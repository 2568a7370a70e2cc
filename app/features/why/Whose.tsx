/** Splits the advice: what the air asks, and what this engine's history adds. */
import { useJudge } from "#app/frame/use-judge.ts";
import {
  capital,
  mixtureWords,
  partInSentence,
  partValue,
  shiftWords,
  ZONE_NAMES,
} from "#app/vocabulary/parts.ts";

/** Less than this nobody has learnt. */
const LEAST = 0.005;

export function Whose() {
  const { value, problem } = useJudge({ ask: "whose" });
  if (problem !== undefined) return <p className="quiet">{problem}</p>;
  if (!value) return <p className="quiet">Taking physics and history apart…</p>;
  return (
    <section className="stack">
      <div>
        <h2>Physics, or this engine?</h2>
        <p className="quiet close">
          What the measures and today’s air say alone, and what this engine’s looks added.
        </p>
      </div>
      <div className="beside">
        <div className="scroll-x">
          <table className="figures">
            <caption className="label">As it is fitted, zone by zone</caption>
            <thead>
              <tr>
                <th scope="col">Zone</th>
                <th scope="col">Physics</th>
                <th scope="col">This engine</th>
                <th scope="col">Together</th>
              </tr>
            </thead>
            <tbody>
              {value.zones.map(({ zone, physics, learnt }) => (
                <tr key={zone}>
                  <th scope="row">{ZONE_NAMES[zone]}</th>
                  <td>{mixtureWords(physics)}</td>
                  <td>{Math.abs(learnt) < LEAST ? "nothing yet" : shiftWords(learnt)}</td>
                  <td>{mixtureWords(physics + learnt)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <div className="scroll-x">
          <table className="figures">
            <caption className="label">From your right setting to today, part by part</caption>
            <thead>
              <tr>
                <th scope="col">Part</th>
                <th scope="col">Was right</th>
                <th scope="col">Physics, today</th>
                <th scope="col">This engine</th>
              </tr>
            </thead>
            <tbody>
              {value.parts.map(({ part, baseline, physics, engine }) => (
                <tr key={part}>
                  <th scope="row">{capital(partInSentence(part))}</th>
                  <td>{partValue(part, baseline)}</td>
                  <td>{partValue(part, physics)}</td>
                  <td>
                    {engine === physics ? (
                      <span className="quiet">the same</span>
                    ) : (
                      <strong>{partValue(part, engine)}</strong>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
    </section>
  );
}

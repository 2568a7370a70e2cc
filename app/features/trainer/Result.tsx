/** What a round came to: how many were right, which were not, and what was called what. */
import { TONES } from "#core/log/parts.ts";
import { calledWhat } from "#core/trainer/reader-bias.ts";
import type { Call } from "#core/trainer/round.ts";
import { PlugPhoto } from "#app/frame/plug/PlugPhoto.tsx";
import { ToneDot } from "#app/ui/ToneDot.tsx";
import { IN_LIGHT } from "./words.ts";
import css from "./trainer.module.css";
import { callsIn, type Answered } from "./use-round.ts";

/** Rows are what the plug was, columns what it was called. */
export function CalledTable({ calls }: { calls: readonly Call[] }) {
  const table = calledWhat(calls);
  return (
    <div className="scroll-x">
      <table className={`figures ${css["called"] ?? ""}`}>
        <caption className="label">What was called what: down what it was, across what you said</caption>
        <thead>
          <tr>
            <th scope="col">It was</th>
            {TONES.map((tone) => (
              <th scope="col" key={tone}>
                {tone}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {TONES.map((tone, row) => (
            <tr key={tone}>
              <th scope="row">
                <ToneDot tone={tone} /> {tone}
              </th>
              {TONES.map((called, column) => {
                const count = table[row]?.[column] ?? 0;
                return (
                  <td key={called} className={row === column ? css["right"] : undefined}>
                    {count === 0 ? "–" : count}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

export function Result({ answered }: { answered: readonly Answered[] }) {
  const right = answered.filter(({ plug, called }) => called === plug.tone).length;
  const wrong = answered.filter(({ plug, called }) => called !== plug.tone);
  return (
    <section className="stack" aria-label="This round">
      <h2>
        {right} of {answered.length} right
      </h2>
      {wrong.length > 0 && (
        <>
          <p className="quiet flush">
            {wrong.length === 1 ? "Look at this one again:" : `Look at these ${wrong.length} again:`}
          </p>
          <ul className={css["missed"]}>
            {wrong.map(({ plug, called }) => (
              <li key={plug.seed}>
                <PlugPhoto
                  scene={plug.scene}
                  seed={plug.seed}
                  circled="root"
                  sidePx={200}
                  label={`A ${plug.tone} plug ${IN_LIGHT[plug.scene.light]}`}
                />
                <p className="flush">
                  <strong>{plug.tone}</strong>, {IN_LIGHT[plug.scene.light]}.{" "}
                  <span className="quiet">
                    {called === undefined ? "The clock ran out." : `You said ${called}.`}
                  </span>
                </p>
              </li>
            ))}
          </ul>
        </>
      )}
      <CalledTable calls={callsIn(answered)} />
    </section>
  );
}

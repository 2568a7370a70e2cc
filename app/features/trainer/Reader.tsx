/** What all rounds say of a reader: bias, light by light, over the rounds; and whether it counts for real readings. */
import Button from "@mui/material/Button";
import { useMemo } from "react";
import { LIGHTS } from "#core/pictures/light.ts";
import { isOff, isSteady, readerBias, shareRight } from "#core/trainer/reader-bias.ts";
import type { TrainerRound } from "#app/store/trainer.ts";
import { LazyChart } from "#app/ui/LazyChart.tsx";
import { countWords } from "#app/vocabulary/counts.ts";
import { percentWords } from "#app/vocabulary/parts.ts";
import { callsOf, UNSTEADY, type Task } from "./tasks.ts";
import { trendOption } from "./trend-chart.ts";
import { biasWords, LIGHT_WORDS, offsetEffect } from "./words.ts";

interface ReaderProps {
  readonly reader: string | undefined;
  readonly rounds: readonly TrainerRound[];
  /** their practice counts for real readings already */
  readonly counts: boolean;
  readonly busy: boolean;
  readonly send: (task: Task) => void;
}

export function Reader({ reader, rounds, counts, busy, send }: ReaderProps) {
  const own = useMemo(() => rounds.filter((round) => round.reader === reader), [rounds, reader]);
  const calls = useMemo(() => callsOf(own, reader), [own, reader]);
  const bias = useMemo(() => readerBias(calls), [calls]);
  const lights = useMemo(
    () =>
      LIGHTS.map((light) => {
        const seen = calls.filter((call) => call.light === light);
        return { light, seen, bias: readerBias(seen) };
      }).filter(({ seen }) => seen.length > 0),
    [calls],
  );
  const option = useMemo(() => trendOption(own.slice(-30)), [own]);
  const who = reader === undefined ? {} : { reader };
  const takeBack = counts && (
    <div className="row">
      <span>Practised: this counts for your plug readings on all rigs.</span>
      <Button variant="outlined" disabled={busy} onClick={() => send({ intent: "takeBack", ...who })}>
        Take it back
      </Button>
    </div>
  );
  if (own.length === 0) return takeBack || null;
  return (
    <section className="stack" aria-label="Over all rounds">
      <h2>{reader === undefined ? "Your eye so far" : `${reader}’s eye so far`}</h2>
      <p className="flush">
        {countWords(own.length, "round", "rounds")}, {percentWords(shareRight(calls))} right.{" "}
        {bias ? biasWords(bias) : "Twenty plugs show whether you read pale or dark."}
      </p>
      <div className="scroll-x">
        <table className="figures">
          <caption className="label">Light by light</caption>
          <thead>
            <tr>
              <th scope="col">Light</th>
              <th scope="col">Plugs</th>
              <th scope="col">Right</th>
              <th scope="col">Bias</th>
            </tr>
          </thead>
          <tbody>
            {lights.map(({ light, seen, bias: there }) => (
              <tr key={light}>
                <th scope="row">{LIGHT_WORDS[light]}</th>
                <td>{seen.length}</td>
                <td>{percentWords(shareRight(seen))}</td>
                <td>{there ? biasWords(there) : "Needs twenty plugs in this light."}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {own.length > 1 && (
        <figure className="flush" aria-label="Round by round">
          <LazyChart option={option} height={240} />
        </figure>
      )}
      {takeBack}
      {!counts && bias && isOff(bias) && !isSteady(bias) && <p className="quiet flush">{UNSTEADY}</p>}
      {!counts && bias && isOff(bias) && isSteady(bias) && (
        <div className="stack tight">
          <p className="quiet flush">{offsetEffect(bias)}</p>
          <Button
            className="start"
            variant="outlined"
            disabled={busy}
            onClick={() => send({ intent: "count", ...who })}
          >
            Count it for my plug readings
          </Button>
        </div>
      )}
      <Button className="start" disabled={busy} onClick={() => send({ intent: "forget", ...who })}>
        Forget these rounds
      </Button>
    </section>
  );
}

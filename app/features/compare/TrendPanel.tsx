import { useMemo, useState } from "react";
import { TRENDS, type Trend, type TrendName } from "#core/day/trend.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { LazyChart } from "#app/ui/LazyChart.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { INSTRUMENT_WORDS } from "#app/vocabulary/instruments.ts";
import { trendOption } from "./trend-chart.ts";

const ENGINE_WORDS: Readonly<Record<TrendName, string>> = {
  pilot: "Pilot path: leaner than its jet says",
  needle: "Needle path: leaner than its measures say",
  main: "Main path: leaner than its jet says",
  airSensitivity: "What the air does here, against the orifice law",
};

const isTrend = (name: string): name is TrendName => TRENDS.some((one) => one === name);

function Drawn({ trend }: { trend: Trend }) {
  const [what, setWhat] = useState<string>("main");
  const option = useMemo(() => {
    const points = trend.days.map(({ day, engine, instruments }) => {
      const known = isTrend(what) ? engine[what] : instruments[Number(what)];
      return { day, mean: known?.mean ?? 0, sd: known?.sd ?? 0 };
    });
    return trendOption(points, "Believed");
  }, [trend, what]);
  return (
    <>
      <PickField
        label="What"
        value={what}
        options={[
          ...TRENDS.map((name) => [name, ENGINE_WORDS[name]] as const),
          ...trend.instruments.map(
            (instrument, i) =>
              [
                String(i),
                `${instrument.name ?? INSTRUMENT_WORDS[instrument.kind].name}: reads too lean by`,
              ] as const,
          ),
        ]}
        onChange={({ target }) => setWhat(target.value)}
      />
      <LazyChart option={option} height={220} />
    </>
  );
}

/** How what is believed of the engine and of its instruments has moved over the days. */
export function TrendPanel() {
  const { value: trend, problem } = useJudge({ ask: "trend" });
  return (
    <section className="stack" aria-label="From day to day">
      <h2 className="label">From day to day</h2>
      {problem !== undefined && <Caution grave>The days could not be gone through: {problem}</Caution>}
      {trend &&
        (trend.days.length < 2 ? (
          <p className="quiet flush">You need two days with a look.</p>
        ) : (
          <Drawn trend={trend} />
        ))}
    </section>
  );
}

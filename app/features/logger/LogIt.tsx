import Button from "@mui/material/Button";
import { useState } from "react";
import { useFetcher } from "react-router";
import type { Reduced } from "#core/logger/reduce.ts";
import { loggerSent, type LoggerSent, type RunsWanted } from "./form.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { SENSOR_PLACES } from "#app/vocabulary/sensors.ts";
import { useRig } from "#app/frame/use-rig.ts";
import type { ActionProblem } from "#app/journal/save.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

interface LogItProps {
  readonly reduced: Reduced;
  readonly file: { readonly name: string; readonly simulated: boolean };
}

/** Which standing starts can be logged: those that every wanted speed or length was reached in. */
function useRunChoices({ pulls }: Reduced): { key: string; words: string; wanted: RunsWanted }[] {
  const { preferences } = useRig();
  const speeds = new Set(pulls.flatMap(({ toSpeed }) => toSpeed.map(({ to }) => to)));
  const lengths = new Set(pulls.flatMap(({ toDistance }) => toDistance.map(({ to }) => to)));
  return [
    { key: "none", words: "Do not log them", wanted: { what: "none" } },
    ...[...speeds].map((to) => ({
      key: `toSpeed ${to}`,
      words: `0 to ${formatQuantity("speed", to, preferences.speed)}`,
      wanted: { what: "toSpeed" as const, to },
    })),
    ...[...lengths].map((to) => ({
      key: `distance ${to}`,
      words: `Over ${formatQuantity("length", to, preferences.length)}`,
      wanted: { what: "distance" as const, to },
    })),
  ];
}

const count = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

const listed = (parts: readonly string[]): string =>
  [parts.slice(0, -1).join(", "), ...parts.slice(-1)].filter((part) => part !== "").join(" and ");

/** One weighted look a zone, never thousands: and the standing starts as runs, where wanted. */
export function LogIt({ reduced, file }: LogItProps) {
  const fetcher = useFetcher<ActionProblem>();
  const [sensor, setSensor] = useState<LoggerSent["sensor"]>("inside");
  const choices = useRunChoices(reduced);
  const [chosen, setChosen] = useState("none");
  const wanted = choices.find(({ key }) => key === chosen)?.wanted ?? { what: "none" };
  const sent = loggerSent(reduced, file, sensor, wanted);
  const nothing = sent.zones.length + sent.runs.length + sent.heats.length === 0;
  const parts = [
    ...(sent.zones.length > 0 ? [count(sent.zones.length, "look", "looks")] : []),
    ...(sent.heats.length > 0 ? [count(sent.heats.length, "temperature", "temperatures")] : []),
    ...(sent.runs.length > 0 ? [count(sent.runs.length, "run", "runs")] : []),
  ];
  return (
    <section className="stack" aria-label="Log it">
      <h2>Make it count</h2>
      <p className="quiet flush">
        It counts for what is fitted now, in the air you read last. You get one look for each zone, as sure as
        its sensor and its time. Each pull of four seconds or more also gives a temperature.
      </p>
      <div className="two-fields">
        <Choice label="The sensor sits" value={sensor} options={SENSOR_PLACES} onChange={setSensor} />
        {choices.length > 1 && (
          <PickField
            label="Standing starts as runs"
            value={chosen}
            onChange={({ target }) => setChosen(target.value)}
            options={choices.map(({ key, words }) => [key, words] as const)}
          />
        )}
      </div>
      <Problem message={fetcher.data?.message} />
      <Button
        variant="contained"
        disabled={nothing || fetcher.state !== "idle"}
        className="start"
        onClick={() =>
          void fetcher.submit(JSON.stringify(sent), { method: "post", encType: "application/json" })
        }
      >
        {nothing ? "Nothing in it to log" : `Log ${listed(parts)}`}
      </Button>
    </section>
  );
}

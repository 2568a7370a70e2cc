/** Plug trainer: drawn plugs of known tone, twenty a round, and what they say of the reader. */
import Button from "@mui/material/Button";
import { useState } from "react";
import { data, useFetcher } from "react-router";
import type { Route } from "./+types/route";
import { BURNS, type Burns } from "#core/pictures/plug-scene.ts";
import { LIGHTS, type LightName } from "#core/pictures/light.ts";
import { readSent, refused, type ActionProblem } from "#app/journal/save.ts";
import { readInstrumentNames, readPractised } from "#app/store/instruments.ts";
import { storageFailure } from "#app/store/failure.ts";
import { readRounds } from "#app/store/trainer.ts";
import { Choice } from "#app/ui/Choice.tsx";
import { PageHead } from "#app/ui/PageHead.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { Reader } from "./Reader.tsx";
import { Result } from "./Result.tsx";
import { Round } from "./Round.tsx";
import { done, Task } from "./tasks.ts";
import { callsIn, type Answered, type RoundWanted } from "./use-round.ts";
import { BURNS_WORDS, CLOCKS, LIGHT_WORDS } from "./words.ts";

export const meta = () => [{ title: "Plug trainer · Tamis" }];

export async function clientLoader() {
  const [read, names, messages] = await Promise.all([
    readRounds().catch((error: unknown) => storageFailure(error).problem.message),
    readInstrumentNames(),
    readPractised(),
  ]);
  const [rounds, trouble] = typeof read === "string" ? [[], read] : [read, undefined];
  const practised = messages.map(({ name }) => name);
  const named = names.filter(({ kind }) => kind === "reader").map(({ name }) => name);
  // A reader who is off the list of instruments may still have rounds here, or count.
  const known = [...named, ...rounds.map(({ reader }) => reader), ...practised];
  const readers = [...new Set(known)].filter((name) => name !== undefined);
  return { rounds, trouble, readers, practised };
}

export async function clientAction({ request }: Route.ClientActionArgs) {
  const read = readSent(Task, await request.json(), "This round");
  if (!read.ok) return read.answer;
  try {
    return data({ said: await done(read.sent) }, { status: 200 });
  } catch (error) {
    return refused({ message: storageFailure(error).problem.message }, 507);
  }
}

/** A new seed each round: the same twenty plugs would be learnt by heart. */
const newSeed = (): number => Math.floor(2 ** 32 * Math.random());

export default function TrainerRoute({ loaderData }: Route.ComponentProps) {
  const { rounds, trouble, readers, practised } = loaderData;
  const { submit, state, data: answer } = useFetcher<ActionProblem & { said?: string }>();
  const [light, setLight] = useState<LightName | "mixed">("shade");
  const [burns, setBurns] = useState<Burns>("twoStroke");
  const [clock, setClock] = useState<(typeof CLOCKS)[number]["value"]>("0");
  const [reader, setReader] = useState<string>();
  const [wanted, setWanted] = useState<RoundWanted>();
  const [answered, setAnswered] = useState<readonly Answered[]>();
  const send = (task: Task) =>
    void submit(JSON.stringify(task), { method: "post", encType: "application/json" });
  const start = () => {
    setAnswered(undefined);
    setWanted({ seed: newSeed(), light, burns, clockS: Number(clock), reader });
  };
  const ended = (of: RoundWanted, all: readonly Answered[]) => {
    setWanted(undefined);
    setAnswered(all);
    const calls = callsIn(all);
    if (calls.length > 0)
      send({
        intent: "keep",
        round: {
          at: Date.now(),
          calls,
          ...(of.reader !== undefined && { reader: of.reader }),
          ...(of.clockS > 0 && { clockS: of.clockS }),
        },
      });
  };
  return (
    <div className="page">
      <PageHead />
      <main className="stack">
        {wanted ? (
          <>
            <h1>Plug trainer</h1>
            <Round
              key={wanted.seed}
              wanted={wanted}
              onEnd={(all) => ended(wanted, all)}
              onStop={() => setWanted(undefined)}
            />
          </>
        ) : (
          <>
            <div>
              <h1>Plug trainer</h1>
              <p className="lead quiet">
                Twenty drawn plugs, one after another. Say the tone of each. Then you see whether you read
                pale or dark, and in which light.
              </p>
            </div>
            {answered && <Result answered={answered} />}
            <Choice
              label="Light"
              value={light}
              options={([...LIGHTS, "mixed"] as const).map((value) => ({ value, text: LIGHT_WORDS[value] }))}
              onChange={setLight}
            />
            <Choice
              label="Engine"
              value={burns}
              options={BURNS.map((value) => ({ value, text: BURNS_WORDS[value] }))}
              onChange={setBurns}
            />
            <Choice label="Clock" value={clock} options={CLOCKS} onChange={setClock} />
            {readers.length > 0 && (
              <PickField
                label="Who reads"
                value={reader ?? ""}
                options={[["", "The usual reader"], ...readers.map((name) => [name, name] as const)]}
                onChange={({ target }) => setReader(target.value === "" ? undefined : target.value)}
              />
            )}
            <div className="row">
              <Button variant="contained" onClick={start}>
                {answered ? "Another twenty" : "Start"}
              </Button>
              <span className="quiet">Tap a tone, or press 1 to 7.</span>
            </div>
            <Problem message={answer?.message ?? trouble} />
            <p className="flush" role="status">
              {answer?.said}
            </p>
            <Reader
              reader={reader}
              rounds={rounds}
              counts={practised.includes(reader)}
              busy={state !== "idle"}
              send={send}
            />
          </>
        )}
      </main>
    </div>
  );
}

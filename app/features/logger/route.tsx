import Button from "@mui/material/Button";
import { useState } from "react";
import { loggerContents, LoggerSent } from "./form.ts";
import { ChooseFile } from "./ChooseFile.tsx";
import { LogIt } from "./LogIt.tsx";
import { MapColumns } from "./MapColumns.tsx";
import { Doubts, Results } from "./Results.tsx";
import { useLogger } from "./use-logger.ts";
import { LookKinds } from "#app/frame/LookKinds.tsx";
import { Progress } from "#app/ui/Progress.tsx";
import { Simulated } from "#app/ui/Simulated.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { rigAction, toToday } from "#app/journal/rig-action.ts";
import { fileWords, resultTitle } from "./words.ts";

export const clientAction = rigAction({
  codec: LoggerSent,
  form: "logger",
  what: "What is to be logged",
  entries: (sent) =>
    sent.zones.length === 0 && sent.runs.length === 0
      ? { message: "There is nothing in it to log." }
      : loggerContents(sent),
  then: toToday,
});

export default function LoggerRoute() {
  const { opened, mapping, reduced, progress, problem, busy, ...act } = useLogger();
  const [again, setAgain] = useState(false);
  const reading = progress !== undefined;
  const columns = opened && mapping && (
    <MapColumns
      looked={opened.looked}
      mapping={mapping}
      known={opened.known}
      onMapping={act.setMapping}
      onRead={() => {
        setAgain(false);
        void act.read(mapping);
      }}
    />
  );
  return (
    <div className="stack" style={{ gap: 20 }}>
      <div aria-live="polite">
        <h1>{reduced ? resultTitle(reduced) : "A logger’s file"}</h1>
        <p className="lead quiet">
          {opened ? opened.name : "λ by zone, with the sensor’s delay taken off, and every pull timed."}
          {reduced && `: ${fileWords(reduced)}`} {opened?.looked.simulated && <Simulated />}
        </p>
      </div>
      <LookKinds kind="logger" />
      <ChooseFile
        busy={busy}
        opened={opened}
        onFile={(file, name) => void act.open(file, name)}
        onSimulate={() => void act.simulate()}
        onProblem={act.setProblem}
      />
      {problem !== undefined && <Caution grave>{problem}</Caution>}
      {reading && <Progress label="Read so far" share={progress} onStop={act.cancel} />}
      {reduced && mapping && !reading && (
        <Doubts reduced={reduced} mapping={mapping} onFix={(fixed) => void act.read(fixed)} />
      )}
      {!reduced && !reading && columns}
      {reduced && opened && !reading && (
        <>
          <Results reduced={reduced} />
          {reduced.doubts.length === 0 && (
            <LogIt reduced={reduced} file={{ name: opened.name, simulated: opened.looked.simulated }} />
          )}
          <Button variant="outlined" aria-expanded={again} className="start" onClick={() => setAgain(!again)}>
            {again ? "Close the columns" : "The columns, to read it again"}
          </Button>
          {again && columns}
        </>
      )}
      <Caution plain>
        Log under load on a closed course or a proper stand, from the rich side. Route the cables clear of
        chain, wheels and pipe, and look at the screen in the pit only.
      </Caution>
    </div>
  );
}

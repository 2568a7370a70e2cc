import Button from "@mui/material/Button";
import { useRef } from "react";
import type { Opened } from "./use-logger.ts";

const SAMPLES = [
  { file: "ride-lambda.csv", words: "λ, commas" },
  { file: "ride-afr-semicolon.csv", words: "AFR, semicolons" },
] as const;

interface ChooseFileProps {
  readonly busy: boolean;
  readonly opened: Opened | undefined;
  readonly onFile: (file: Blob, name: string) => void;
  readonly onSimulate: () => void;
  readonly onProblem: (words: string) => void;
}

/** The logger's file: chosen, dropped, tried from a sample, or ridden by the simulated logger. */
export function ChooseFile({ busy, opened, onFile, onSimulate, onProblem }: ChooseFileProps) {
  const input = useRef<HTMLInputElement>(null);
  const sample = (name: string) =>
    void fetch(`/samples/${name}`)
      .then((answer) => answer.blob())
      .then(
        (blob) => onFile(blob, name),
        () => onProblem("The sample is not here. Open the app once with a signal, then it stays."),
      );
  return (
    <div
      className="row drop-place"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const [file] = event.dataTransfer.files;
        if (file) onFile(file, file.name);
      }}
    >
      <Button
        variant={opened ? "outlined" : "contained"}
        disabled={busy}
        onClick={() => input.current?.click()}
      >
        {opened ? "Another file" : "Choose a CSV"}
      </Button>
      <input
        ref={input}
        type="file"
        accept=".csv,.txt,.tsv,.log,text/csv,text/plain"
        className="visually-hidden"
        tabIndex={-1}
        aria-label="Logger’s file"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) onFile(file, file.name);
          target.value = "";
        }}
      />
      <Button variant="outlined" disabled={busy} onClick={onSimulate}>
        Simulated logger
      </Button>
      <span className="quiet">or a sample:</span>
      {SAMPLES.map(({ file, words }) => (
        <Button key={file} disabled={busy} onClick={() => sample(file)}>
          {words}
        </Button>
      ))}
    </div>
  );
}

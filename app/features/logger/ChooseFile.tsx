import clsx from "clsx";
import css from "./logger.module.css";
import Button from "@mui/material/Button";
import { FileButton } from "#app/ui/FileButton.tsx";
import { fetchSample } from "#app/ui/samples.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
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
  const sample = (name: string) =>
    void fetchSample(name).then(
      (blob) => onFile(blob, name),
      (error: unknown) => onProblem(wordsOf(error)),
    );
  return (
    <div
      className={clsx("row", css["drop-place"])}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const [file] = event.dataTransfer.files;
        if (file) onFile(file, file.name);
      }}
    >
      <FileButton
        words={opened ? "Another file" : "Choose a CSV"}
        contained={!opened}
        disabled={busy}
        accept=".csv,.txt,.tsv,.log,text/csv,text/plain"
        label="Logger’s file"
        onFiles={([file]) => file && onFile(file, file.name)}
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

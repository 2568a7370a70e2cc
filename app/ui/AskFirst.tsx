import Button from "@mui/material/Button";
import { useState, type ReactNode } from "react";
import { Caution } from "./Caution.tsx";

/** What somebody who was there must say first, and the button that says it. */
export interface Asks {
  readonly words: string;
  readonly yes: string;
}

interface AskFirstProps {
  readonly asks: Asks | undefined;
  /** there once it was said: a change that only a file leads to is no single tap */
  readonly children: ReactNode;
}

/** The question itself, where what waits for its answer stands elsewhere too. */
export function Question({ asks, onYes }: { asks: Asks; onYes: () => void }) {
  return (
    <div className="stack tight">
      <Caution grave>{asks.words}</Caution>
      <Button variant="outlined" className="start" onClick={onYes}>
        {asks.yes}
      </Button>
    </div>
  );
}

/** Another question is another one to answer. */
export function AskFirst({ asks, children }: AskFirstProps) {
  const [said, setSaid] = useState<string>();
  if (!asks || said === asks.words) return children;
  return <Question asks={asks} onYes={() => setSaid(asks.words)} />;
}

/** The card on paper or as a picture: printed on A6, saved, or handed on by the phone's own share sheet. */
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Advice } from "#core/advice/card/advise.ts";
import { fileNameOf } from "#app/store/book-file/names.ts";
import { printOnly } from "#app/ui/print.ts";
import { useSayProblem, useToast } from "#app/ui/Toast.tsx";
import type { RigContext } from "../use-rig.ts";
import { handOverText } from "./hand-over.ts";
import { Picture } from "../Picture.tsx";
import { PaperCard } from "./PaperCard.tsx";

interface CardOutProps {
  readonly context: RigContext;
  readonly advice: Advice;
}

/** By the phone's own share sheet; where there is none it is copied. */
async function handOver(text: string, say: ReturnType<typeof useToast>): Promise<void> {
  try {
    if (typeof navigator.share === "function") await navigator.share({ text });
    else {
      await navigator.clipboard.writeText(text);
      say({ words: `Copied: ${text}` });
    }
  } catch (error) {
    // Whoever closes the sheet has changed his mind.
    if (error instanceof DOMException && error.name === "AbortError") return;
    say({ words: `It could not be handed over. Read it out: ${text}`, grave: true });
  }
}

export function CardOut({ context, advice }: CardOutProps) {
  const [drawing, setDrawing] = useState(false);
  const [problem, setProblem] = useState<{ message: string }>();
  useSayProblem(problem);
  const say = useToast();
  return (
    <>
      <Button variant="outlined" onClick={() => printOnly("card")}>
        Print card
      </Button>
      <Button variant="outlined" disabled={drawing} onClick={() => setDrawing(true)}>
        {drawing ? "Drawing…" : "Card as picture"}
      </Button>
      <Button variant="outlined" onClick={() => void handOver(handOverText(context, advice), say)}>
        Hand over
      </Button>
      {drawing && (
        <Picture
          name={`tamis-card-${fileNameOf(context.header.name)}-${context.present.air?.at.slice(0, 10) ?? ""}`}
          onDone={(message) => {
            setDrawing(false);
            setProblem(message === undefined ? undefined : { message });
          }}
        >
          <PaperCard context={context} advice={advice} />
        </Picture>
      )}
    </>
  );
}

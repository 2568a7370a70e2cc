/** The card on paper or as a picture: printed on A6, saved, or handed on by the phone's own share sheet. */
import css from "./paper.module.css";
import Button from "@mui/material/Button";
import { useEffect, useRef, useState } from "react";
import { createPortal } from "react-dom";
import type { Advice } from "#core/advice/card/advise.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { fileNameOf } from "#app/store/book-file/names.ts";
import { saveFile } from "#app/journal/export.ts";
import { inlineFonts } from "#app/ui/inline-fonts.ts";
import { printOnly } from "#app/ui/print.ts";
import { useSayProblem } from "#app/ui/Toast.tsx";
import type { RigContext } from "../use-rig.ts";
import { PaperCard } from "./PaperCard.tsx";

interface CardOutProps {
  readonly context: RigContext;
  readonly advice: Advice;
}

/** A phone that shares pictures has a sheet of its own for it. */
const sharesFiles = (file: File): boolean => navigator.canShare?.({ files: [file] }) === true;

async function handOn(picture: Blob, name: string): Promise<void> {
  const file = new File([picture], name, { type: "image/png" });
  if (!sharesFiles(file)) {
    saveFile({ name, blob: picture });
    return;
  }
  try {
    await navigator.share({ files: [file], title: name });
  } catch (error) {
    // Whoever closes the sheet has changed his mind.
    if (!(error instanceof DOMException && error.name === "AbortError")) saveFile({ name, blob: picture });
  }
}

/** Drawn out of sight, taken as a picture, and gone again. */
function Picture({ context, advice, onDone }: CardOutProps & { onDone: (problem?: string) => void }) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let gone = false;
    const take = async () => {
      const { toBlob } = await import("html-to-image");
      await document.fonts.ready;
      const element = place.current;
      if (!element || gone) return;
      const picture = await toBlob(element, {
        fontEmbedCSS: await inlineFonts(),
        pixelRatio: 3,
        backgroundColor: "#fff",
        style: { left: "0", position: "static" },
      });
      if (!picture) throw new Error("this browser drew nothing");
      const day = context.present.air?.at.slice(0, 10) ?? "";
      await handOn(picture, `tamis-card-${fileNameOf(context.header.name)}-${day}.png`);
    };
    take().then(
      () => !gone && onDone(),
      (error: unknown) => !gone && onDone(`No picture was made (${wordsOf(error)}). Print it instead.`),
    );
    return () => {
      gone = true;
    };
    // Once, of the card as it is now.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return createPortal(
    <div className={css["offscreen"]} ref={place} aria-hidden="true">
      <PaperCard context={context} advice={advice} />
    </div>,
    document.body,
  );
}

export function CardOut({ context, advice }: CardOutProps) {
  const [drawing, setDrawing] = useState(false);
  const [problem, setProblem] = useState<{ message: string }>();
  useSayProblem(problem);
  return (
    <>
      <Button variant="outlined" onClick={() => printOnly("card")}>
        Print card
      </Button>
      <Button variant="outlined" disabled={drawing} onClick={() => setDrawing(true)}>
        {drawing ? "Drawing…" : "Card as picture"}
      </Button>
      {drawing && (
        <Picture
          context={context}
          advice={advice}
          onDone={(message) => {
            setDrawing(false);
            setProblem(message === undefined ? undefined : { message });
          }}
        />
      )}
    </>
  );
}

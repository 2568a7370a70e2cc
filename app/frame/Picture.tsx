/** A part of the page as a picture: saved, or handed on by the phone's own share sheet. */
import css from "./card/paper.module.css";
import { useEffect, useRef, type ReactNode } from "react";
import { createPortal } from "react-dom";
import { saveFile } from "#app/journal/export.ts";
import { inlineFonts } from "#app/ui/inline-fonts.ts";
import { wordsOf } from "#app/workers/on-demand.ts";

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

interface PictureProps {
  /** of the file, without its ending */
  readonly name: string;
  readonly children: ReactNode;
  readonly onDone: (problem?: string) => void;
}

/** Drawn out of sight, taken as a picture, and gone again. */
export function Picture({ name, children, onDone }: PictureProps) {
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
      await handOn(picture, `${name}.png`);
    };
    take().then(
      () => !gone && onDone(),
      (error: unknown) => !gone && onDone(`No picture was made (${wordsOf(error)}). Print it instead.`),
    );
    return () => {
      gone = true;
    };
    // Once, as it is now.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return createPortal(
    <div className={css["offscreen"]} ref={place} aria-hidden="true">
      {children}
    </div>,
    document.body,
  );
}

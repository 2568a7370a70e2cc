/** A picture drawn by the worker: its bytes on a canvas, and in words why there is none. */
import { useEffect, useRef, useState, type ReactNode } from "react";
import type { Picture } from "#core/pictures/picture.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import css from "./plug.module.css";

interface DrawnPictureProps<P extends Picture> {
  /** names all that is drawn: for the same nothing is drawn again */
  readonly asked: string;
  readonly draw: () => Promise<P>;
  /** what is seen, for who does not see it */
  readonly label: string;
  readonly sidePx: number;
  /** what lies over it once it is drawn */
  readonly over?: (picture: P) => ReactNode;
}

export function DrawnPicture<P extends Picture>({ asked, draw, label, sidePx, over }: DrawnPictureProps<P>) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [picture, setPicture] = useState<P>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    let left = false;
    draw().then(
      (drawn) => {
        if (left) return;
        const { pixels, sidePx: side } = drawn;
        canvas.current?.getContext("2d")?.putImageData(new ImageData(pixels, side, side), 0, 0);
        setPicture(drawn);
        setProblem(undefined);
      },
      (error: unknown) => {
        if (!left) setProblem(wordsOf(error));
      },
    );
    return () => {
      left = true;
    };
    // What is drawn is named by `asked`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked]);
  return (
    <div className={css["photo"]}>
      <canvas ref={canvas} width={sidePx} height={sidePx} role="img" aria-label={label} />
      {picture && over?.(picture)}
      {problem !== undefined && <p role="alert">{problem}</p>}
    </div>
  );
}

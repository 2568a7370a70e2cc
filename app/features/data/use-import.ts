/** A file on its way into the book: looked at, then brought in, with how far it is; opened once, one at a time. */
import { useEffect, useRef, useState } from "react";
import { useRevalidator } from "react-router";
import { localInstant } from "#app/journal/clock.ts";
import { notGone } from "#app/store/backup-folder.ts";
import { openBookFile, type OpenBookFile } from "#app/store/book-file/in-worker.ts";
import type { Brought, Coming } from "#app/store/book-file/keep.ts";
import { failed, type Stored } from "#app/store/failure.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { broughtWords } from "./coming-words.ts";

interface Importing {
  readonly file?: File;
  /** of what is under way, 0..1 */
  readonly share?: number;
  readonly coming?: Coming;
  readonly problem?: string;
  readonly said?: string;
}

/** What a worker throws is for the screen too. */
const said = <T>(work: Promise<Stored<T>>): Promise<Stored<T>> =>
  work.catch((error: unknown) => failed("refused", wordsOf(error)));

export function useImport() {
  const [importing, setImporting] = useState<Importing>({});
  const opened = useRef<OpenBookFile>(undefined);
  const { revalidate } = useRevalidator();
  const coming = useRef(false);
  // Whoever leaves while a file comes in finds it brought in: only a file that was looked at is let go.
  useEffect(() => () => void (coming.current || opened.current?.close()), []);

  const letGo = () => {
    opened.current?.close();
    opened.current = undefined;
    setImporting({});
  };

  async function open(file: File): Promise<void> {
    letGo();
    if (file.size === 0) {
      setImporting({ file, problem: "This file is empty. Choose another." });
      return;
    }
    const mine = openBookFile(file, (share) => {
      if (opened.current === mine) setImporting((now) => ({ ...now, share }));
    });
    opened.current = mine;
    setImporting({ file, share: 0 });
    const looked = await said(mine.look());
    if (opened.current !== mine) return;
    setImporting(looked.ok ? { file, coming: looked.value } : { file, problem: looked.problem.message });
  }

  async function bringIn(): Promise<void> {
    const mine = opened.current;
    const { file, coming: seen } = importing;
    if (!mine || !file || !seen) return;
    setImporting({ file, coming: seen, share: 0 });
    coming.current = true;
    const why = `Before the import of ${file.name}`.slice(0, 300);
    const brought = await said<Brought>(mine.bringIn({ snapshot: { at: localInstant(), why } }));
    coming.current = false;
    mine.close();
    if (brought.ok) await notGone(brought.value.rigIds);
    setImporting(
      brought.ok
        ? { file, coming: seen, said: broughtWords(brought.value) }
        : { file, problem: brought.problem.message },
    );
    await revalidate();
  }

  /** Looking changes nothing and ends at once; what comes in ends between two steps. */
  const stop = () => {
    if (importing.coming) opened.current?.stop();
    else letGo();
  };
  return { ...importing, open: (file: File) => void open(file), bringIn: () => void bringIn(), stop, letGo };
}

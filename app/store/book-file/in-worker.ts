/** Runs each file task in a worker of its own, ended when the task is done. */
import * as Comlink from "comlink";
import { startOnDemand } from "#app/workers/on-demand.ts";
import address from "./book-file.worker.ts?worker&url";
import type { BookFileApi } from "./book-file.worker.ts";
import type { Bringing, Brought, Coming } from "./keep.ts";
import type { Stored } from "../failure.ts";
import type { syncFolder } from "./sync-folder.ts";
import type { writeBook } from "./write.ts";

const filing = startOnDemand<BookFileApi>(() => new Worker(address, { type: "module", name: "book-file" }));

/** A phone takes its time over ten years. */
const LIMIT_MS = 300_000;

export interface OpenBookFile {
  readonly look: () => Promise<Stored<Coming>>;
  readonly bringIn: (bringing: Bringing) => Promise<Stored<Brought>>;
  /** what is under way ends between two steps, and changes nothing */
  readonly stop: () => void;
  /** stops it, and lets the worker go once it has */
  readonly close: () => void;
}

/** @param onShare - how far the look or the import is, 0..1 */
export function openBookFile(file: Blob, onShare: (share: number) => void): OpenBookFile {
  const own = filing.own();
  let goOn = true;
  let underWay: Promise<unknown> = Promise.resolve();
  const told = Comlink.proxy((share: number) => {
    onShare(share);
    return goOn;
  });
  const stop = () => {
    goOn = false;
  };
  const kept = <T>(work: Promise<T>): Promise<T> => {
    underWay = work.catch(() => undefined);
    return work;
  };
  return {
    look: () => kept(own.call(async (remote) => await remote.look(file, told), LIMIT_MS)),
    bringIn: (bringing) => kept(own.call(async (remote) => await remote.bringIn(bringing, told), LIMIT_MS)),
    stop,
    close: () => {
      stop();
      void underWay.then(() => own.end());
    },
  };
}

export const syncInWorker: typeof syncFolder = (folder, now) =>
  filing.alone(async (remote) => await remote.syncFolder(folder, now), LIMIT_MS);
export const writeInWorker: typeof writeBook = (rigIds, savedAt) =>
  filing.alone(async (remote) => await remote.writeBook(rigIds, savedAt), LIMIT_MS);

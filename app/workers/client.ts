/**
 * The screens' side of the workers. Comlink by itself leaves a caller waiting for ever when a worker dies
 * and has no time limit; both end here in an error that a screen can show, and the next call starts afresh.
 */
import * as Comlink from "comlink";
import type { AirEntry, Entry, Header, LogFile, LookEntry } from "#core/log/schema.ts";
import type { Zone } from "#core/carburettor/zones.ts";
import type { Advice } from "#core/advice/advise.ts";
import type { Distribution } from "#core/advice/cylinders.ts";
import type { Outlook } from "#core/advice/outlook.ts";
import { heardBy, keepSaid } from "#app/store/instruments.ts";
import type { Photo } from "#app/store/photos.ts";
import type { ToneRead } from "#core/photo/tone-of-colour.ts";
import type { Reduced } from "#core/logger/reduce.ts";
import type { LogToReduce, LookedAt, RideWanted } from "./logger.ts";
import type { SmallPhoto, Spot } from "./photo.ts";
import type { Answer, FilesApi, JudgeApi, LoggerApi, LogRead, UnknownLog } from "./protocol.ts";

/** @returns words of whatever was thrown */
export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

const TIME_LIMIT_MS = 20_000;

export class WorkerFailure extends Error {
  override readonly name = "WorkerFailure";
}

interface Running<Api> {
  readonly worker: Worker;
  readonly remote: Comlink.Remote<Api>;
  /** rejects when the worker dies */
  readonly died: Promise<never>;
}

function startOnDemand<Api>(make: () => Worker) {
  let running: Running<Api> | undefined;
  const stop = () => {
    running?.worker.terminate();
    running = undefined;
  };
  const start = (): Running<Api> => {
    const worker = make();
    const died = new Promise<never>((_, reject) => {
      const fail = (event: Event) => {
        stop();
        const detail = event instanceof ErrorEvent ? event.message : "unreadable message";
        reject(new WorkerFailure(`The computation stopped (${detail}). Try again.`));
      };
      worker.addEventListener("error", fail);
      worker.addEventListener("messageerror", fail);
    });
    died.catch(() => undefined);
    return { worker, remote: Comlink.wrap<Api>(worker), died };
  };
  async function call<T>(
    work: (remote: Comlink.Remote<Api>) => Promise<T>,
    limitMs = TIME_LIMIT_MS,
  ): Promise<T> {
    running ??= start();
    const { remote, died } = running;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const late = new Promise<never>((_, reject) => {
      timer = setTimeout(() => {
        stop();
        reject(
          new WorkerFailure(`The computation took over ${limitMs / 1000} s and was stopped. Try again.`),
        );
      }, limitMs);
    });
    try {
      return await Promise.race([work(remote), died, late]);
    } finally {
      clearTimeout(timer);
    }
  }
  const warm = (): void => {
    try {
      running ??= start();
    } catch {
      // Only a head start: the first question starts it again and says what is wrong.
    }
  };
  return { call, warm, stop };
}

const judge = startOnDemand<JudgeApi>(
  () => new Worker(new URL("./judge.worker.ts", import.meta.url), { type: "module", name: "judge" }),
);
const filing = startOnDemand<FilesApi>(
  () => new Worker(new URL("./files.worker.ts", import.meta.url), { type: "module", name: "files" }),
);

const logging = startOnDemand<LoggerApi>(
  () => new Worker(new URL("./logger.worker.ts", import.meta.url), { type: "module", name: "logger" }),
);

function valueOf<T>(answer: Answer<T>): T {
  if (answer.ok) return answer.value;
  throw new WorkerFailure(answer.message);
}

/** Starts the judge while the log is still being read, so that the first card does not wait for it. */
export const warmJudge = (): void => {
  judge.warm();
};

type Question<T> = (remote: Comlink.Remote<JudgeApi>) => Promise<Answer<T> | UnknownLog>;

/** Asks about a log, opening it first where the judge does not know it. */
function ask<T>(revision: string, entries: readonly Entry[], question: Question<T>): Promise<T> {
  return judge.call(async (remote) => {
    const first = await question(remote);
    if (first.ok || first.name !== "unknownLog") return valueOf(first);
    const rigId = revision.split(" ")[0] ?? revision;
    const said = valueOf(await remote.openLog(revision, entries, await heardBy(rigId)));
    await keepSaid(rigId, said);
    return valueOf(await question(remote));
  });
}

/** @throws {WorkerFailure} with words for the screen */
export const askAdvice = (
  revision: string,
  entries: readonly Entry[],
  draft: AirEntry | undefined,
  carburettor = 0,
): Promise<Advice> =>
  ask(revision, entries, async (remote) => await remote.advise(revision, draft, carburettor));

/** @throws {WorkerFailure} with words for the screen */
export const askAdviceAfter = (
  revision: string,
  entries: readonly Entry[],
  look: LookEntry,
  carburettor = 0,
): Promise<Advice> =>
  ask(revision, entries, async (remote) => await remote.adviseAfter(revision, look, carburettor));

/** @throws {WorkerFailure} with words for the screen */
export const askDistribution = (revision: string, entries: readonly Entry[]): Promise<Distribution> =>
  ask(revision, entries, async (remote) => await remote.distribution(revision));

/** @throws {WorkerFailure} with words for the screen */
export const askOutlook = (revision: string, entries: readonly Entry[], zone: Zone): Promise<Outlook[]> =>
  ask(revision, entries, async (remote) => await remote.outlook(revision, zone));

export const files = {
  readLog: (file: Blob): Promise<LogRead> => filing.call(async (remote) => await remote.readLog(file)),
  writeLog: async (file: LogFile, photos: readonly Photo[]): Promise<Blob> =>
    valueOf(await filing.call(async (remote) => await remote.writeLog(file, photos))),
  shrinkPhoto: async (file: Blob): Promise<SmallPhoto> =>
    valueOf(await filing.call(async (remote) => await remote.shrinkPhoto(file))),
  openPhoto: async (file: Blob): Promise<SmallPhoto> =>
    valueOf(await filing.call(async (remote) => await remote.openPhoto(file))),
  readTone: async (porcelain: Spot, white: Spot): Promise<ToneRead> =>
    valueOf(await filing.call(async (remote) => await remote.readTone(porcelain, white))),
  makeDemo: (
    lastDay: string,
    offset: string,
  ): Promise<readonly { header: Header; entries: readonly Entry[] }[]> =>
    filing.call(async (remote) => await remote.makeDemo(lastDay, offset)),
};

/** A phone reads a million rows in a minute, not in seconds. */
const LOGGER_LIMIT_MS = 180_000;

export const logger = {
  lookAt: async (file: Blob, stoichiometric: number): Promise<LookedAt> =>
    valueOf(await logging.call(async (remote) => await remote.lookAtLog(file, stoichiometric))),
  /** The worker goes when it is done, and all that a million rows took with it. */
  reduce: async (task: LogToReduce, onProgress: (share: number) => void): Promise<Reduced> => {
    try {
      return valueOf(
        await logging.call(
          async (remote) => await remote.reduceLog(task, Comlink.proxy(onProgress)),
          LOGGER_LIMIT_MS,
        ),
      );
    } finally {
      logging.stop();
    }
  },
  cancel: (): Promise<void> => logging.call(async (remote) => await remote.cancelLog()),
  simulate: async (wanted: RideWanted): Promise<Blob> =>
    valueOf(await logging.call(async (remote) => await remote.simulateLog(wanted))),
};

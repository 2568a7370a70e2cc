/** All messages between the screens and the workers. The worker files only connect these to the core. */
import type { FileRead } from "#core/log/read-file.ts";
import type { AirEntry, Entry, Header, InstrumentMessage, LogFile, LookEntry } from "#core/log/schema.ts";
import type { Zone } from "#core/carburettor/zones.ts";
import type { Advice } from "#core/advice/advise.ts";
import type { Photo } from "#app/store/photos.ts";
import type { ToneRead } from "#core/photo/tone-of-colour.ts";
import type { Reduced } from "#core/logger/reduce.ts";
import type { LogToReduce, LookedAt, RideWanted } from "./logger.ts";
import type { SmallPhoto, Spot } from "./photo.ts";
import type { Distribution } from "#core/advice/cylinders.ts";
import type { Outlook } from "#core/advice/outlook.ts";

/** Errors cross by name and message; classes would not survive the journey. */
export type Answer<T> = { ok: true; value: T } | { ok: false; name: string; message: string };

/** That log was never opened here, or the worker is new: open it and ask again. */
export interface UnknownLog {
  ok: false;
  name: "unknownLog";
  message: string;
}

export interface JudgeApi {
  /** Keeps a log under a name, parsed and sifted, for any number of questions. */
  openLog(
    revision: string,
    entries: unknown,
    /** what other rigs say of the instruments; @returns what this one does */
    heard: readonly InstrumentMessage[],
  ): Answer<readonly InstrumentMessage[]>;
  /** @param carburettor - one (from 0) of those that the advice is wanted for */
  advise(revision: string, draft: AirEntry | undefined, carburettor?: number): Answer<Advice> | UnknownLog;
  /** The same as if one more look had been logged: what a bench says before its reading is kept. */
  adviseAfter(revision: string, look: LookEntry, carburettor?: number): Answer<Advice> | UnknownLog;
  /** The cylinders of an engine side by side. */
  distribution(revision: string): Answer<Distribution> | UnknownLog;
  /** The advice after each tone that a plug in a zone could show. */
  outlook(revision: string, zone: Zone): Answer<Outlook[]> | UnknownLog;
}

/** A log file with its photos as bytes. */
export type LogRead = FileRead & { readonly photos?: readonly Photo[] };

/** Loggers' files of up to millions of rows. */
export interface LoggerApi {
  lookAtLog(file: Blob, stoichiometric: number): Promise<Answer<LookedAt>>;
  reduceLog(task: LogToReduce, onProgress: (share: number) => void): Promise<Answer<Reduced>>;
  /** Stops the reading that is under way. */
  cancelLog(): void;
  simulateLog(wanted: RideWanted): Answer<Blob>;
}

export interface FilesApi {
  /** Reads and checks an exported log; builds that no machine can be are refused too. */
  readLog(file: Blob): Promise<LogRead>;
  writeLog(file: LogFile, photos: readonly Photo[]): Answer<Blob>;
  shrinkPhoto(file: Blob): Promise<Answer<SmallPhoto>>;
  /** Keeps a photo for {@link readTone}; the newest only. */
  openPhoto(file: Blob): Promise<Answer<SmallPhoto>>;
  readTone(porcelain: Spot, white: Spot): Answer<ToneRead>;
  makeDemo(lastDay: string, offset: string): readonly { header: Header; entries: readonly Entry[] }[];
}

/** The screens' side of the workers. */
import * as Comlink from "comlink";
import filesAddress from "./files.worker.ts?worker&url";
import judgeAddress from "./judge.worker.ts?worker&url";
import loggerAddress from "./logger.worker.ts?worker&url";
import type { ToneRead } from "#core/photo/tone-of-colour.ts";
import type { Picture } from "#core/pictures/picture.ts";
import type { WitnessScene } from "#core/pictures/witness-pictures.ts";
import type { PlugPicture } from "#core/pictures/plug-picture.ts";
import type { PlugScene } from "#core/pictures/plug-scene.ts";
import type { Table } from "#core/forecast/table.ts";
import type { TrackAnswers } from "#core/route/track.ts";
import type { TrackRead } from "./gpx.ts";
import type { Fix } from "#core/satellites/fix.ts";
import type { Reduced } from "#core/logger/reduce.ts";
import type { Goal, StandstillRun } from "#core/satellites/from-standstill.ts";
import type { LogToReduce, LookedAt, RideWanted } from "./logger.ts";
import { startOnDemand, WorkerFailure } from "./on-demand.ts";
import type { SmallPhoto, Spot } from "./photo.ts";
import type { Witness } from "./pictures.ts";
import type { Answer, FilesApi, JudgeApi, LoggerApi } from "./protocol.ts";

/** The address of the judge: built anew it has another one, so it names what its answers came from. */
export const JUDGE: string = judgeAddress;
export const judge = startOnDemand<JudgeApi>(
  () => new Worker(judgeAddress, { type: "module", name: "judge" }),
);
const filing = startOnDemand<FilesApi>(() => new Worker(filesAddress, { type: "module", name: "files" }));

const logging = startOnDemand<LoggerApi>(() => new Worker(loggerAddress, { type: "module", name: "logger" }));

export function valueOf<T>(answer: Answer<T>): T {
  if (answer.ok) return answer.value;
  throw new WorkerFailure(answer.message);
}

export const files = {
  shrinkPhoto: async (file: Blob): Promise<SmallPhoto> =>
    valueOf(await filing.call(async (remote) => await remote.shrinkPhoto(file))),
  openPhoto: async (file: Blob): Promise<SmallPhoto> =>
    valueOf(await filing.call(async (remote) => await remote.openPhoto(file))),
  readTone: async (porcelain: Spot, white: Spot): Promise<ToneRead> =>
    valueOf(await filing.call(async (remote) => await remote.readTone(porcelain, white))),
  drawPlug: async (scene: PlugScene, seed: number, sidePx: number): Promise<PlugPicture> =>
    valueOf(await filing.call(async (remote) => await remote.drawPlug(scene, seed, sidePx))),
  drawWitness: async (of: Witness, scene: WitnessScene, seed: number, sidePx: number): Promise<Picture> =>
    valueOf(await filing.call(async (remote) => await remote.drawWitness(of, scene, seed, sidePx))),
  readTable: async (file: Blob): Promise<Table> =>
    valueOf(await filing.call(async (remote) => await remote.readTable(file))),
  readGpx: async (file: Blob, speedMs: number, answers: TrackAnswers): Promise<readonly TrackRead[]> =>
    valueOf(await filing.call(async (remote) => await remote.readGpx(file, speedMs, answers))),
};

/** A phone reads a million rows in a minute, not in seconds. */
const LOGGER_LIMIT_MS = 180_000;

/** A phone works out a run of ten fixes a second in a second. */
export const receiver = {
  timeRun: async (fixes: readonly Fix[], goal: Goal): Promise<StandstillRun | undefined> =>
    valueOf(await logging.call(async (remote) => await remote.timeRun(fixes, goal))),
};

export const logger = {
  lookAt: async (file: Blob, stoichiometric: number): Promise<LookedAt> =>
    valueOf(await logging.call(async (remote) => await remote.lookAtLog(file, stoichiometric))),
  /** @param signal - stops it, and all that a million rows took goes with its worker */
  reduce: async (
    task: LogToReduce,
    onProgress: (share: number) => void,
    signal?: AbortSignal,
  ): Promise<Reduced> =>
    valueOf(
      await logging.alone(
        async (remote) => await remote.reduceLog(task, Comlink.proxy(onProgress)),
        LOGGER_LIMIT_MS,
        signal,
      ),
    ),
  simulate: async (wanted: RideWanted): Promise<Blob> =>
    valueOf(await logging.call(async (remote) => await remote.simulateLog(wanted))),
};

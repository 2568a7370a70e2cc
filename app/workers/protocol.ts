/** Types of all messages between screens and workers. */
import type { AirEntry, InstrumentMessage, LookEntry, Setting } from "#core/log/schema.ts";
import type { TrialAsked } from "#core/log/trial-asked.ts";
import type { Zone } from "#core/carburettor/zones.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import type { ToneRead } from "#core/photo/tone-of-colour.ts";
import type { Picture } from "#core/pictures/picture.ts";
import type { WitnessScene } from "#core/pictures/witness-pictures.ts";
import type { PlugPicture } from "#core/pictures/plug-picture.ts";
import type { PlugScene } from "#core/pictures/plug-scene.ts";
import type { Fix } from "#core/satellites/fix.ts";
import type { Reduced } from "#core/logger/reduce.ts";
import type { Goal, StandstillRun } from "#core/satellites/from-standstill.ts";
import type { LogToReduce, LookedAt, RideWanted } from "./logger.ts";
import type { SmallPhoto, Spot } from "./photo.ts";
import type { Witness } from "./pictures.ts";
import type { Distribution } from "#core/advice/card/cylinders.ts";
import type { Deeper } from "#core/advice/card/deeper.ts";
import type { LambdaMap } from "#core/advice/judge/lambda-map.ts";
import type { NeedleNear, PartsAnswer, WhichNeedle } from "#core/advice/parts/parts-answer.ts";
import type { Outlook } from "#core/advice/card/outlook.ts";
import type { Sieve, SieveAxes } from "#core/advice/card/sieve.ts";
import type { Trial } from "#core/advice/judge/trial.ts";
import type { AsThen } from "#core/day/as-then.ts";
import type { SettingsCompared } from "#core/day/compare-settings.ts";
import type { DaysCompared } from "#core/day/compare-days.ts";
import type { Trend } from "#core/day/trend.ts";
import type { DayAnswer } from "#core/day/day-answer.ts";
import type { ChartAsked } from "#core/chart/asked.ts";
import type { ChartCell, ChartGround } from "#core/chart/jetting-chart.ts";
import type { PackAsked } from "#core/pack/asked.ts";
import type { SeasonMonth } from "#core/pack/pack-answer.ts";
import type { PackList } from "#core/pack/pack-list.ts";
import type { RouteAnswer } from "#core/route/route-answer.ts";
import type { TrackAnswers } from "#core/route/track.ts";
import type { TrackRead } from "./gpx.ts";
import type { Table } from "#core/forecast/table.ts";
import type { Revision } from "./revision.ts";
import type { ModelOrLearnt } from "#core/advice/card/model-or-learnt.ts";

/** Errors cross by name and message; classes would not survive the journey. */
export type Answer<T> = { ok: true; value: T } | { ok: false; name: string; message: string };

/** That log was never opened here, or the worker is new: open it and ask again. */
export interface UnknownLog {
  ok: false;
  name: "unknownLog";
  message: string;
}

/** A log as it is sent: whole, or what came to it since a revision that the judge has. */
export interface LogSent {
  readonly revision: Revision;
  readonly entries: unknown;
  readonly since?: Revision;
  /** what other rigs say of the instruments */
  readonly heard: readonly InstrumentMessage[];
}

export type Question =
  /** @param carburettor - one (from 0) of those that the advice is wanted for */
  | { readonly ask: "advice"; readonly draft?: AirEntry | undefined; readonly carburettor?: number }
  /** The same as if one more look had been logged: what a bench says before its reading is kept. */
  | { readonly ask: "adviceAfter"; readonly look: LookEntry; readonly carburettor?: number }
  /** The cylinders of an engine side by side. */
  | { readonly ask: "distribution" }
  /** The settings of two parts that are still possible, after so many of the newest looks. */
  | {
      readonly ask: "sieve";
      readonly axes: SieveAxes;
      readonly carburettor?: number;
      readonly counted?: number | undefined;
    }
  /** What of the card is physics, and what this engine has taught. */
  | { readonly ask: "whose"; readonly carburettor?: number }
  /** What each look has done to the card, and what one more of each kind would be worth. */
  | { readonly ask: "deeper"; readonly carburettor?: number }
  /** λ over throttle and engine speed. */
  | { readonly ask: "lambdaMap"; readonly carburettor?: number }
  /** What each part of the box would do, and what to look for when buying one. */
  | { readonly ask: "parts"; readonly carburettor?: number }
  /** Which needle is nearest to one of them. */
  | { readonly ask: "nearest"; readonly wanted: WhichNeedle; readonly carburettor?: number }
  /** What a setting, a part, an air would do that nobody has fitted or met. */
  | { readonly ask: "trial"; readonly asked: TrialAsked; readonly carburettor?: number }
  /** Two days side by side, and what sets them apart. */
  | { readonly ask: "compare"; readonly a: string; readonly b: string; readonly carburettor?: number }
  /** Two settings in the newest air. */
  | { readonly ask: "settings"; readonly a: Setting; readonly b: Setting; readonly carburettor?: number }
  /** The advice as it would have been just before an entry was logged. */
  | { readonly ask: "then"; readonly entryId: string; readonly carburettor?: number }
  /** How what is believed of the engine has moved from day to day. */
  | { readonly ask: "trend"; readonly carburettor?: number }
  /** The heats of the day with their cards; nothing where none were named. */
  | { readonly ask: "day"; readonly carburettor?: number }
  /** One setting for a way, and where to stop and change. */
  | { readonly ask: "route"; readonly routeId: string; readonly carburettor?: number }
  /** What to take for an event, a month, a range of air. */
  | { readonly ask: "pack"; readonly asked: PackAsked; readonly carburettor?: number }
  /** What a jetting chart would rest on. */
  | { readonly ask: "chartGround"; readonly carburettor?: number }
  /** Some cells of a jetting chart, on from what is fitted on the way into the first. */
  | { readonly ask: "chart"; readonly asked: ChartAsked; readonly carburettor?: number }
  /** A year's air at a place and the jets it asks for. */
  | {
      readonly ask: "season";
      readonly place: string;
      readonly elevationM: number;
      readonly carburettor?: number;
    }
  /** The advice after each tone that a plug in a zone could show. */
  | { readonly ask: "outlook"; readonly zone: Zone };

export interface Answers {
  readonly advice: Advice;
  readonly adviceAfter: Advice;
  readonly distribution: Distribution;
  readonly outlook: Outlook[];
  readonly sieve: Sieve;
  readonly trial: Trial;
  readonly whose: ModelOrLearnt;
  readonly deeper: Deeper;
  readonly lambdaMap: LambdaMap;
  readonly parts: PartsAnswer;
  readonly nearest: NeedleNear[];
  readonly compare: DaysCompared;
  readonly settings: SettingsCompared;
  readonly then: AsThen | undefined;
  readonly trend: Trend;
  readonly day: DayAnswer | undefined;
  readonly route: RouteAnswer;
  readonly pack: PackList;
  readonly chartGround: ChartGround;
  readonly chart: ChartCell[];
  readonly season: SeasonMonth[];
}

export interface Opened {
  /** what this rig says of the instruments */
  readonly said: readonly InstrumentMessage[];
  readonly answer: Answers[keyof Answers];
}

export interface JudgeApi {
  /** About a log that it has. */
  answer(revision: Revision, question: Question): Promise<Answer<Answers[keyof Answers]> | UnknownLog>;
  /** Takes a log in, parsed and sifted, and answers the first question about it in the same breath. */
  open(log: LogSent, question: Question): Promise<Answer<Opened> | UnknownLog>;
}

/** JPEG, as the worker that scales photos down makes them. */
export interface Photo {
  readonly rigId: string;
  readonly id: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

/** Loggers' files of up to millions of rows, and runs by satellites. */
export interface LoggerApi {
  lookAtLog(file: Blob, stoichiometric: number): Promise<Answer<LookedAt>>;
  reduceLog(task: LogToReduce, onProgress: (share: number) => void): Promise<Answer<Reduced>>;
  simulateLog(wanted: RideWanted): Answer<Blob>;
  /** The newest run in the fixes of a receiver; nothing while it is not over. */
  timeRun(fixes: readonly Fix[], goal: Goal): Answer<StandstillRun | undefined>;
}

export interface FilesApi {
  shrinkPhoto(file: Blob): Promise<Answer<SmallPhoto>>;
  /** Keeps a photo for {@link readTone}; the newest only. */
  openPhoto(file: Blob): Promise<Answer<SmallPhoto>>;
  readTone(porcelain: Spot, white: Spot): Answer<ToneRead>;
  /** A plug as it looks; its pixels come as bytes. */
  drawPlug(scene: PlugScene, seed: number, sidePx: number): Promise<Answer<PlugPicture>>;
  /** A crown through the plug hole, or the inside of a header. */
  drawWitness(of: Witness, scene: WitnessScene, seed: number, sidePx: number): Promise<Answer<Picture>>;
  /** A table of figures in a text file, CSV or JSON. */
  readTable(file: Blob): Promise<Answer<Table>>;
  /** The tracks and routes of a GPX file. */
  readGpx(file: Blob, speedMs: number, answers: TrackAnswers): Promise<Answer<readonly TrackRead[]>>;
}

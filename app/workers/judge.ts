/** The judge: keeps the newest logs replayed, so that a keystroke in the air costs only the card. */
import * as z from "zod";
import { adviseOn, type Advice } from "#core/advice/advise.ts";
import { openCase, type Case } from "#core/advice/case.ts";
import { distribution } from "#core/advice/cylinders.ts";
import { outlook } from "#core/advice/outlook.ts";
import { deeper } from "#core/advice/deeper.ts";
import { lambdaMap } from "#core/advice/lambda-map.ts";
import { nearestNeedles, partsAnswer } from "#core/advice/parts-answer.ts";
import { sieveOf } from "#core/advice/sieve.ts";
import { trialOf } from "#core/advice/trial.ts";
import { whoseCard } from "#core/advice/whose.ts";
import { freshMemory, type ReplayMemory } from "#core/belief/replay.ts";
import { instrumentMessages } from "#core/belief/instrument-message.ts";
import { parseKeeping } from "#core/log/keep-unknown.ts";
import { AirEntry, Entry, InstrumentMessage, LookEntry, Setting } from "#core/log/schema.ts";
import { TrialAsked } from "#core/log/trial-asked.ts";
import type { Answer, Answers, JudgeApi, LogSent, Question, UnknownLog } from "./protocol.ts";

/** Older ones are opened again when asked for. */
export const MOST_KEPT = 12;

interface Kept {
  readonly revision: string;
  readonly entries: readonly Entry[];
  readonly opened: Case;
  /** of several revisions of one rig the days before are the same: they are replayed once */
  readonly memory: ReplayMemory;
}

async function answered<T>(work: () => T | Promise<T>): Promise<Answer<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    const { name, message } = error instanceof Error ? error : new Error(String(error));
    return { ok: false, name, message };
  }
}

/** Of thousands of looks a screen shows the newest: the rest would cost more on its way than all else together. */
const LOOKS_SHOWN = 100;
const shown = (advice: Advice): Advice => ({
  ...advice,
  looks: advice.looks.slice(-LOOKS_SHOWN),
  surprises: advice.surprises.slice(-LOOKS_SHOWN),
  marks: advice.marks.slice(-LOOKS_SHOWN),
});

type AnyAnswer = Answers[keyof Answers];

function answerTo({ opened, memory }: Kept, question: Question): AnyAnswer | Promise<AnyAnswer> {
  const messages = opened.heard;
  switch (question.ask) {
    case "advice":
      return shown(adviseOn(opened, question.draft && AirEntry.parse(question.draft), question.carburettor));
    case "adviceAfter": {
      const entries = [...opened.present.lines.map(({ entry }) => entry), LookEntry.parse(question.look)];
      return shown(adviseOn(openCase(entries, { messages, memory }), undefined, question.carburettor));
    }
    case "distribution":
      return distribution(opened);
    case "sieve":
      return sieveOf(opened, question.axes, question.carburettor, question.counted);
    case "whose":
      return whoseCard(opened, question.carburettor);
    case "deeper":
      return deeper(opened, question.carburettor, memory);
    case "lambdaMap":
      return lambdaMap(opened, question.carburettor);
    case "parts":
      return partsAnswer(opened, question.carburettor);
    case "nearest":
      return nearestNeedles(opened, question.wanted, question.carburettor);
    case "trial":
      return trialOf(opened, TrialAsked.parse(question.asked), question.carburettor);
    case "compare":
    case "settings":
    case "then":
    case "trend":
    case "day":
    case "route":
    case "pack":
    case "season":
      return aheadAnswer(opened, question, memory);
    case "outlook":
      return outlook(opened, question.zone, { messages, memory }).map((row) => ({
        ...row,
        advice: shown(row.advice),
      }));
  }
}

type AheadQuestion = Extract<
  Question,
  { ask: "compare" | "settings" | "then" | "trend" | "day" | "route" | "pack" | "season" }
>;

/** Days to come and days gone by are asked about now and then: what answers is loaded then. */
async function aheadAnswer(opened: Case, question: AheadQuestion, memory: ReplayMemory): Promise<AnyAnswer> {
  const {
    adviceAsThen,
    compareSettings,
    trendOf,
    compareDays,
    dayAnswer,
    PackAsked,
    packAnswer,
    routeAnswer,
    seasonAnswer,
  } = await import("./ahead.ts");
  switch (question.ask) {
    case "compare":
      return compareDays(opened, question.a, question.b, question.carburettor, memory);
    case "settings":
      return compareSettings(
        opened,
        Setting.parse(question.a),
        Setting.parse(question.b),
        question.carburettor,
      );
    case "then": {
      const then = adviceAsThen(opened, question.entryId, question.carburettor);
      return then && { ...then, advice: shown(then.advice) };
    }
    case "trend":
      return trendOf(opened, question.carburettor);
    case "day":
      return dayAnswer(opened, question.carburettor);
    case "route":
      return routeAnswer(opened, question.routeId, question.carburettor);
    case "pack":
      return packAnswer(opened, PackAsked.parse(question.asked), question.carburettor);
    case "season":
      return seasonAnswer(opened, question.place, question.elevationM, question.carburettor);
  }
}

/** Of a rig deleted and brought in again it is another one. */
const tokenOf = (revision: string): string | undefined => revision.split(" ")[1];

export function judgeApi(): JudgeApi {
  const rigs = new Map<string, Kept>();
  const unknown = (revision: string): UnknownLog => ({
    ok: false,
    name: "unknownLog",
    message: `log ${revision} has not been opened`,
  });
  const remember = (rigId: string, kept: Kept): void => {
    rigs.delete(rigId);
    rigs.set(rigId, kept);
    const oldest = rigs.keys().next().value;
    if (rigs.size > MOST_KEPT && oldest !== undefined) rigs.delete(oldest);
  };
  /** Only what is new is parsed: the rest has come through this door before. */
  const allEntries = ({ rigId, entries, since }: LogSent): readonly Entry[] | undefined => {
    const read = parseKeeping(z.array(Entry), entries);
    if (!read.ok) throw read.error;
    const sent = read.data;
    if (since === undefined) return sent;
    const before = rigs.get(rigId);
    return before?.revision === since ? [...before.entries, ...sent] : undefined;
  };
  return {
    answer: async (revision, question) => {
      const found = [...rigs.values()].find((kept) => kept.revision === revision);
      return found ? answered(() => answerTo(found, question)) : unknown(revision);
    },
    open: async (log, question) => {
      const { rigId, revision, heard } = log;
      const read = await answered(() => allEntries(log));
      if (!read.ok) return read;
      const entries = read.value;
      if (!entries) return unknown(log.since ?? revision);
      return answered(async () => {
        const messages = z.array(InstrumentMessage).parse(heard);
        const before = rigs.get(rigId);
        const memory =
          before && tokenOf(before.revision) === tokenOf(revision) ? before.memory : freshMemory();
        const opened = openCase(entries, { messages, memory });
        const kept = { revision, entries, opened, memory };
        remember(rigId, kept);
        return {
          said: instrumentMessages(opened.replayed, messages),
          answer: await answerTo(kept, question),
        };
      });
    },
  };
}

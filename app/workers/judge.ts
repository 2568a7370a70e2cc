/** Judge: replays the newest logs once and answers queries from the cached posteriors. */
import * as z from "zod/mini";
import { adviseOn } from "#core/advice/card/advise.ts";
import { openCase, openCaseWith } from "#core/advice/judge/case.ts";
import { freshMemory } from "#core/belief/replay.ts";
import { instrumentMessages } from "#core/belief/instrument-message.ts";
import { parseKeeping } from "#core/log/keep-unknown.ts";
import { AirEntry, Entry, InstrumentMessage, LookEntry } from "#core/log/schema.ts";
import { shown, type Kept } from "./kept-case.ts";
import { revisionKey, sameRevision, type Revision } from "./revision.ts";
import type { Answer, Answers, JudgeApi, Question, UnknownLog } from "./protocol.ts";

/** Older ones are opened again when asked for. */
export const MOST_KEPT = 12;

async function answered<T>(work: () => T | Promise<T>): Promise<Answer<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    const { name, message } = error instanceof Error ? error : new Error(String(error));
    return { ok: false, name, message };
  }
}

type AnyAnswer = Answers[keyof Answers];

async function answerTo(kept: Kept, question: Question): Promise<AnyAnswer> {
  const { opened, memory } = kept;
  switch (question.ask) {
    case "advice":
      return shown(adviseOn(opened, question.draft && AirEntry.parse(question.draft), question.carburettor));
    case "adviceAfter": {
      const after = openCaseWith(opened, [LookEntry.parse(question.look)], { memory });
      return shown(adviseOn(after, undefined, question.carburettor));
    }
    default:
      return (await import("./asked.ts")).answerBeside(kept, question);
  }
}

export function judgeApi(): JudgeApi {
  const rigs = new Map<string, Kept>();
  const unknown = (revision: Revision): UnknownLog => ({
    ok: false,
    name: "unknownLog",
    message: `log ${revisionKey(revision)} has not been opened`,
  });
  const remember = (rigId: string, kept: Kept): void => {
    rigs.delete(rigId);
    rigs.set(rigId, kept);
    const oldest = rigs.keys().next().value;
    if (rigs.size > MOST_KEPT && oldest !== undefined) rigs.delete(oldest);
  };
  /** Only what is new is parsed: the rest has come through this door before. */
  const parsed = (entries: unknown): readonly Entry[] => {
    const read = parseKeeping(z.array(Entry), entries);
    if (!read.ok) throw read.error;
    return read.data;
  };
  return {
    answer: async (revision, question) => {
      const found = rigs.get(revision.rigId);
      return found && sameRevision(found.revision, revision)
        ? answered(() => answerTo(found, question))
        : unknown(revision);
    },
    open: async (log, question) => {
      const { revision, heard, since } = log;
      const before = rigs.get(revision.rigId);
      if (since && !(before && sameRevision(before.revision, since))) return unknown(since);
      return answered(async () => {
        const messages = z.array(InstrumentMessage).parse(heard);
        const sent = parsed(log.entries);
        const memory = before?.revision.token === revision.token ? before.memory : freshMemory();
        const options = { messages, memory };
        const opened = before && since ? openCaseWith(before.opened, sent, options) : openCase(sent, options);
        const kept = { revision, opened, memory };
        remember(revision.rigId, kept);
        return {
          said: instrumentMessages(opened.replayed, messages),
          answer: await answerTo(kept, question),
        };
      });
    },
  };
}

/** The judge: keeps the newest logs replayed, so that a keystroke in the air costs only the card. */
import * as z from "zod";
import { adviseOn } from "#core/advice/advise.ts";
import { openCase, type Case } from "#core/advice/case.ts";
import { distribution } from "#core/advice/cylinders.ts";
import { outlook } from "#core/advice/outlook.ts";
import { freshMemory, type ReplayMemory } from "#core/belief/replay.ts";
import { instrumentMessages } from "#core/belief/instrument-message.ts";
import { AirEntry, Entry, InstrumentMessage, LookEntry } from "#core/log/schema.ts";
import type { Answer, JudgeApi, UnknownLog } from "./protocol.ts";

/** As many as a paddock shows at once; older ones are opened again when asked for. */
const MOST_KEPT = 12;

function answered<T>(work: () => T): Answer<T> {
  try {
    return { ok: true, value: work() };
  } catch (error) {
    const { name, message } = error instanceof Error ? error : new Error(String(error));
    return { ok: false, name, message };
  }
}

/** Of several revisions of one rig the days before are the same: they are replayed once. */
function memories() {
  const kept = new Map<string, ReplayMemory>();
  return (revision: string): ReplayMemory => {
    const rig = revision.split(" ")[0] ?? revision;
    const memory = kept.get(rig) ?? freshMemory();
    kept.delete(rig);
    kept.set(rig, memory);
    const oldest = kept.keys().next().value;
    if (kept.size > MOST_KEPT && oldest !== undefined) kept.delete(oldest);
    return memory;
  };
}

export function judgeApi(): JudgeApi {
  const cases = new Map<string, Case>();
  const memoryOf = memories();
  const about = <T>(revision: string, work: (found: Case) => T): Answer<T> | UnknownLog => {
    const found = cases.get(revision);
    if (!found) return { ok: false, name: "unknownLog", message: `log ${revision} has not been opened` };
    return answered(() => work(found));
  };
  return {
    openLog: (revision, entries, heard) =>
      answered(() => {
        const messages = z.array(InstrumentMessage).parse(heard);
        const opened = openCase(z.array(Entry).parse(entries), { messages, memory: memoryOf(revision) });
        cases.set(revision, opened);
        const oldest = cases.keys().next().value;
        if (cases.size > MOST_KEPT && oldest !== undefined) cases.delete(oldest);
        return instrumentMessages(opened.replayed, messages);
      }),
    advise: (revision, draft, carburettor) =>
      about(revision, (found) =>
        adviseOn(found, draft === undefined ? undefined : AirEntry.parse(draft), carburettor),
      ),
    adviseAfter: (revision, look, carburettor) =>
      about(revision, ({ present, heard: messages }) => {
        const entries = [...present.lines.map(({ entry }) => entry), LookEntry.parse(look)];
        return adviseOn(openCase(entries, { messages, memory: memoryOf(revision) }), undefined, carburettor);
      }),
    distribution: (revision) => about(revision, distribution),
    outlook: (revision, zone) =>
      about(revision, (found) => outlook(found, zone, { messages: found.heard, memory: memoryOf(revision) })),
  };
}

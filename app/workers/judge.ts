/** The judge: keeps the newest logs sifted, so that a keystroke in the air costs only the card. */
import * as z from "zod";
import { AirEntry, Entry } from "#core/log/schema.ts";
import { adviseOn, openCase, type Case } from "#core/advice/advise.ts";
import { distribution } from "#core/advice/cylinders.ts";
import { outlook } from "#core/advice/outlook.ts";
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

export function judgeApi(): JudgeApi {
  const cases = new Map<string, Case>();
  const about = <T>(revision: string, work: (found: Case) => T): Answer<T> | UnknownLog => {
    const found = cases.get(revision);
    if (!found) return { ok: false, name: "unknownLog", message: `log ${revision} has not been opened` };
    return answered(() => work(found));
  };
  return {
    openLog: (revision, entries) =>
      answered(() => {
        cases.set(revision, openCase(z.array(Entry).parse(entries)));
        const oldest = cases.keys().next().value;
        if (cases.size > MOST_KEPT && oldest !== undefined) cases.delete(oldest);
        return null;
      }),
    advise: (revision, draft, carburettor) =>
      about(revision, (found) =>
        adviseOn(found, draft === undefined ? undefined : AirEntry.parse(draft), carburettor),
      ),
    distribution: (revision) => about(revision, distribution),
    outlook: (revision, zone) => about(revision, (found) => outlook(found, zone)),
  };
}

/** A rig in the test's own store, and requests as the screens send them. */
import { closeBook } from "#app/store/book.ts";
import { database, indexKey } from "#app/store/database.ts";
import { readIndex } from "#app/store/records.ts";
import { importRigs } from "#app/store/merge.ts";
import { rawData } from "#app/store/raw.ts";
import { readRig } from "#app/store/rig-log.ts";
import { fold } from "#core/log/fold.ts";
import type { Present } from "#core/log/present.ts";
import type { Entry } from "#core/log/schema.ts";
import { build } from "../../core/__tests__/entries.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";

export const RIG = ENDURO_HEADER.id;

/** Empties the store and puts one rig there. */
export async function freshRig(entries: readonly Entry[] = [build()]): Promise<void> {
  await database.clear();
  closeBook();
  const made = await importRigs([{ header: ENDURO_HEADER, entries }]);
  if (!made.ok) throw new Error(made.problem.message);
}

/** As another tab would have left it: a new version of the day, named by the index. */
export async function dayAs(value: unknown): Promise<string> {
  const index = await readIndex(RIG);
  if (!index.ok || !index.value) throw new Error("no index");
  const key = `${RIG}/day/2026-05-23/elsewhere`;
  await database.setItem(key, value);
  const days = [{ day: "2026-05-23", key, count: 1 }];
  await database.setItem(indexKey(RIG), { ...index.value, revision: index.value.revision + 1, days });
  return key;
}

export async function logged(): Promise<readonly Entry[]> {
  const read = await readRig(RIG);
  if (!read.ok) throw new Error(read.problem.message);
  return read.value.entries;
}

export const present = async (): Promise<Present> => fold(await logged());

/** What a route's action is called with. */
export const sent = (content: unknown, params: Record<string, string> = {}) =>
  ({
    request: new Request("http://localhost/", {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(content),
    }),
    params: { rigId: RIG, ...params },
    context: {},
  }) as never;

/** Status and body of an action's answer, whether it redirected or returned data. */
export function answerOf(result: unknown): { status: number; location?: string | null; data?: unknown } {
  if (result instanceof Response) return { status: result.status, location: result.headers.get("Location") };
  const { data, init } = result as { data: unknown; init?: { status?: number } };
  return { status: init?.status ?? 200, data };
}

/** Runs an action that must be refused, and sees that nothing at all that is stored has changed. */
export async function refusal(
  run: () => Promise<unknown>,
): Promise<{ message?: string; fields?: Record<string, string> }> {
  const before = JSON.stringify(await rawData());
  const { status, data } = answerOf(await run());
  expect(status).toBeGreaterThanOrEqual(400);
  expect(JSON.stringify(await rawData())).toBe(before);
  return data as { message?: string; fields?: Record<string, string> };
}

/** The same, and its words as one text. */
export const refused = async (run: () => Promise<unknown>): Promise<string> =>
  JSON.stringify(await refusal(run));

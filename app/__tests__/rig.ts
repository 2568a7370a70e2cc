/** A rig in the test's own store, and requests as the screens send them. */
import { database } from "#app/store/database.ts";
import { importRigs, readRig } from "#app/store/store.ts";
import type { Entry } from "#core/log/schema.ts";
import { build } from "../../core/__tests__/entries.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";

export const RIG = ENDURO_HEADER.id;

/** Empties the store and puts one rig there. */
export async function freshRig(entries: readonly Entry[] = [build()]): Promise<void> {
  await database.clear();
  const made = await importRigs([{ header: ENDURO_HEADER, entries }]);
  if (!made.ok) throw new Error(made.problem.message);
}

export async function logged(): Promise<readonly Entry[]> {
  const read = await readRig(RIG);
  if (!read.ok) throw new Error(read.problem.message);
  return read.value.entries;
}

/** What a route's action is called with. */
export function posted(fields: Record<string, string>) {
  const request = new Request(`http://localhost/rigs/${RIG}`, {
    method: "POST",
    body: new URLSearchParams(fields),
  });
  return {
    request,
    params: { rigId: RIG },
    context: {},
    serverAction: () => Promise.reject(new Error("no server")),
  } as never;
}

/** Status and body of an action's answer, whether it redirected or returned data. */
export function answerOf(result: unknown): { status: number; location?: string | null; data?: unknown } {
  if (result instanceof Response) return { status: result.status, location: result.headers.get("Location") };
  const { data, init } = result as { data: unknown; init?: { status?: number } };
  return { status: init?.status ?? 200, data };
}

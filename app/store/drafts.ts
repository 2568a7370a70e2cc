/** Unsaved form texts per device: kept over a reload, not part of a log. */
import * as z from "zod/mini";
import { metaKey } from "./database.ts";
import { databaseOf } from "./practice-rigs.ts";

const keyOf = (rigId: string, name: string): string => metaKey(`draft/${name}/${rigId}`);

/** @returns what was kept, or nothing when there is none that can be read */
export async function readDraft<T>(
  schema: z.ZodMiniType<T>,
  rigId: string,
  name: string,
): Promise<T | undefined> {
  const raw = await databaseOf(rigId)
    .getItem(keyOf(rigId, name))
    .catch(() => null);
  const parsed = schema.safeParse(raw);
  return parsed.success ? parsed.data : undefined;
}

/** A draft that cannot be kept is no reason to stop anyone: it still stands on the screen. */
export async function keepDraft(rigId: string, name: string, draft: unknown): Promise<void> {
  await databaseOf(rigId)
    .setItem(keyOf(rigId, name), draft)
    .catch(() => undefined);
}

export async function dropDraft(rigId: string, name: string): Promise<void> {
  await databaseOf(rigId)
    .removeItem(keyOf(rigId, name))
    .catch(() => undefined);
}

/** What stood in a form's fields, and when. */
const Typed = z.object({ at: z.number(), texts: z.record(z.string(), z.unknown()) });
export type Typed = z.infer<typeof Typed>;

/** What was typed yesterday was another day's. */
const KEPT_FOR_MS = 86_400_000;

/** @returns what was typed into a form within a day and never saved */
export async function readTyped(rigId: string, form: string, now: number): Promise<Typed | undefined> {
  const typed = await readDraft(Typed, rigId, form);
  if (!typed) return undefined;
  const age = now - typed.at;
  if (age >= 0 && age < KEPT_FOR_MS) return typed;
  await dropDraft(rigId, form);
  return undefined;
}

export const keepTyped = (rigId: string, form: string, typed: Typed): Promise<void> =>
  keepDraft(rigId, form, typed);

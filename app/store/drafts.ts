/** Work half done that must outlast a reload: per device, not part of any log. */
import type * as z from "zod/mini";
import { database, metaKey } from "./database.ts";

const keyOf = (rigId: string, name: string): string => metaKey(`draft/${name}/${rigId}`);

/** @returns what was kept, or nothing when there is none that can be read */
export async function readDraft<T>(
  schema: z.ZodMiniType<T>,
  rigId: string,
  name: string,
): Promise<T | undefined> {
  const raw = await database.getItem(keyOf(rigId, name)).catch(() => null);
  const parsed = schema.safeParse(raw);
  return parsed.success ? parsed.data : undefined;
}

/** A draft that cannot be kept is no reason to stop anyone: it still stands on the screen. */
export async function keepDraft(rigId: string, name: string, draft: unknown): Promise<void> {
  await database.setItem(keyOf(rigId, name), draft).catch(() => undefined);
}

export async function dropDraft(rigId: string, name: string): Promise<void> {
  await database.removeItem(keyOf(rigId, name)).catch(() => undefined);
}

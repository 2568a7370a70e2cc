/** How the columns of a logger's files were mapped: remembered for files with the same heads. */
import { Mapping } from "#core/logger/mapping.ts";
import { database, metaKey } from "./database.ts";

const keyOf = (headKey: string): string => metaKey(`logger/${headKey}`);

/** @returns nothing for heads that were never seen, or where nothing can be read */
export async function readMapping(headKey: string): Promise<Mapping | undefined> {
  const raw = await database.getItem(keyOf(headKey)).catch(() => null);
  const parsed = Mapping.safeParse(raw);
  return parsed.success ? parsed.data : undefined;
}

/** A mapping that cannot be kept is chosen again next time. */
export async function keepMapping(headKey: string, mapping: Mapping): Promise<void> {
  await database.setItem(keyOf(headKey), mapping).catch(() => undefined);
}

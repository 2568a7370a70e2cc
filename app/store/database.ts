/** The one place that touches localForage. */
import localforage from "localforage";

export const database = localforage.createInstance({ name: "tamis", storeName: "log" });

export const headerKey = (rigId: string): string => `${rigId}/header`;
export const indexKey = (rigId: string): string => `${rigId}/index`;
export const metaKey = (name: string): string => `meta/${name}`;

/** A day's record is never written over: each version has a key of its own, and the index says which one counts. */
export const dayKey = (rigId: string, day: string, version: string): string =>
  `${rigId}/day/${day}/${version}`;

/** @returns the rig that a key belongs to, or nothing for keys of the whole book */
export const rigOfKey = (key: string): string | undefined => /^(rig:[^/]+)\//.exec(key)?.[1];

/** @returns the rig and the day of a record as the first layout wrote them: one key a day, written in place */
export function parseOldDayKey(key: string): { rigId: string; day: string } | undefined {
  const parts = /^(rig:[^/]+)\/day\/(\d{4}-\d{2}-\d{2})$/.exec(key);
  return parts?.[1] && parts[2] ? { rigId: parts[1], day: parts[2] } : undefined;
}

export const isDayKey = (key: string): boolean => /^rig:[^/]+\/day\//.test(key);

export async function removeKeys(keys: readonly string[]): Promise<void> {
  for (const key of keys) await database.removeItem(key);
}

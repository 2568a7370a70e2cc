/** The one place that touches localForage. */
import localforage from "localforage";

export const database = localforage.createInstance({ name: "tamis", storeName: "log" });

export const headerKey = (rigId: string): string => `${rigId}/header`;
export const dayKey = (rigId: string, day: string): string => `${rigId}/day/${day}`;
export const metaKey = (name: string): string => `meta/${name}`;

/** @returns the rig and the day of a day's key, or nothing for other keys */
export function parseDayKey(key: string): { rigId: string; day: string } | undefined {
  const parts = /^(rig:[^/]+)\/day\/(\d{4}-\d{2}-\d{2})$/.exec(key);
  return parts?.[1] && parts[2] ? { rigId: parts[1], day: parts[2] } : undefined;
}

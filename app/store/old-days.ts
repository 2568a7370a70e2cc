/**
 * The first layout wrote a day in place under one key, without an index. What it left is taken into the book; so is
 * what a tab that still runs that code writes meanwhile.
 */
import { Header } from "#core/log/schema.ts";
import { database, headerKey, indexKey, parseOldDayKey, removeKeys } from "./database.ts";
import { newIndex, parseDay, readDays, writeDays } from "./days.ts";
import { bookedRigs, bookOf, commit, readIndex, rigIds, type Change, type RigIndex } from "./records.ts";

/** A rig that is there by its header, with the index it has or is to have. */
async function indexOf(rigId: string): Promise<RigIndex | undefined> {
  if (!Header.safeParse(await database.getItem(headerKey(rigId))).success) return undefined;
  const index = await readIndex(rigId);
  if (!index.ok) return undefined;
  return index.value ?? newIndex();
}

/** Into the book, each entry once; what cannot be read stays where it is and under its old key. */
async function adopt(
  rigId: string,
  days: readonly { day: string; key: string }[],
): Promise<Change | undefined> {
  let index = await indexOf(rigId);
  if (!index) return undefined;
  for (const { day, key } of days) {
    const old = parseDay(rigId, day, await database.getItem(key));
    const known = await readDays(rigId, index);
    if (!old.ok) {
      if (index.days.some((one) => one.day === day)) continue;
      // Named by its old key it is found again, and said to be unreadable where its rig is opened.
      index = { ...index, days: [...index.days, { day, key, count: 0 }] };
      continue;
    }
    if (!known.ok) return undefined;
    const ids = new Set(known.value.map(({ id }) => id));
    const fresh = old.value.filter(({ id }) => !ids.has(id));
    if (fresh.length > 0) index = await writeDays(rigId, index, fresh);
  }
  return { key: indexKey(rigId), value: index };
}

export async function adoptOldDays(): Promise<void> {
  const keys = await database.keys();
  const rigs = new Map<string, { day: string; key: string }[]>();
  for (const key of keys) {
    const old = parseOldDayKey(key);
    if (old) rigs.set(old.rigId, [...(rigs.get(old.rigId) ?? []), { day: old.day, key }]);
  }
  if (rigs.size === 0 && (await bookedRigs())) return;
  const adopted = new Map<string, Change>();
  for (const [rigId, days] of rigs) {
    const change = await adopt(rigId, days);
    if (change) adopted.set(rigId, change);
  }
  const ids = [...(await rigIds()), ...adopted.keys()];
  if (ids.length > 0) await commit([...adopted.values(), bookOf(ids)]);
  const named = new Set(
    [...adopted.values()].flatMap(({ value }) => (value as RigIndex).days.map(({ key }) => key)),
  );
  for (const rigId of adopted.keys())
    await removeKeys((rigs.get(rigId) ?? []).map(({ key }) => key).filter((key) => !named.has(key)));
}

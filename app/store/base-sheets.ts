/** Base sheets of this tuner, over all rigs: found again by the number stamped on a carburettor. */
import * as z from "zod/mini";
import { BaseSheet } from "#core/log/schema.ts";
import { database, metaKey } from "./database.ts";
import { failed, storageFailure, stored, type Stored } from "./failure.ts";
import { withLock } from "./locks.ts";

const KEY = metaKey("base-sheets");

/** @returns all sheets by their number; unreadable ones are said, not dropped */
export async function listSheets(): Promise<Stored<BaseSheet[]>> {
  try {
    const parsed = z.array(BaseSheet).safeParse((await database.getItem(KEY)) ?? []);
    return parsed.success
      ? stored(parsed.data)
      : failed(
          "unreadable",
          "The base sheets in this browser’s storage cannot be read. Save the raw data on the Data page, then import good sheets.",
        );
  } catch (error) {
    return storageFailure(error);
  }
}

/** Newer sheets take the place of older ones of the same number. */
export function saveSheets(sheets: readonly BaseSheet[]): Promise<Stored<null>> {
  return withLock("base-sheets", async () => {
    const known = await listSheets();
    if (!known.ok) return known;
    const stamps = new Set(sheets.map(({ stamp }) => stamp));
    const next = [...known.value.filter(({ stamp }) => !stamps.has(stamp)), ...sheets];
    try {
      await database.setItem(
        KEY,
        next.sort((a, b) => a.stamp.localeCompare(b.stamp)),
      );
      return stored(null);
    } catch (error) {
      return storageFailure(error);
    }
  });
}

/** When each rig last went into a backup, and how much has come to its log since. */
import * as z from "zod/mini";
import { database, metaKey } from "./database.ts";
import { isDemo } from "./demo-rigs.ts";
import { withLock } from "./locks.ts";
import { bookedRigs, entryCount, readIndex } from "./records.ts";

const Backups = z.strictObject({
  /** by rig: when, and with how many entries */
  rigs: z._default(
    z.record(z.string(), z.strictObject({ at: z.string(), entries: z.int().check(z.gte(0)) })),
    {},
  ),
});
type Backups = z.infer<typeof Backups>;

const KEY = metaKey("backups");

async function read(): Promise<Backups> {
  const parsed = Backups.safeParse((await database.getItem(KEY).catch(() => null)) ?? {});
  return parsed.success ? parsed.data : Backups.parse({});
}

/** @param counts - entries that went in, by rig; what cannot be kept makes a reminder come too early, no more */
export async function noteBackup(counts: Readonly<Record<string, number>>, at: string): Promise<void> {
  await withLock("backups", async () => {
    const { rigs } = await read();
    const now = Object.fromEntries(Object.entries(counts).map(([id, entries]) => [id, { at, entries }]));
    await database.setItem(KEY, Backups.parse({ rigs: { ...rigs, ...now } }));
  }).catch(() => undefined);
}

export interface BackupState {
  /** of the rig whose last backup is the oldest; nothing where one was never in any */
  readonly at: string | undefined;
  /** entries of the tuner's own rigs that are in no backup */
  readonly unsaved: number;
  /** his own rigs; the demo's can be had again */
  readonly rigs: number;
}

export async function backupState(): Promise<BackupState> {
  const { rigs: saved } = await read();
  const own = ((await bookedRigs()) ?? []).filter((id) => !isDemo(id));
  const indexes = await Promise.all(own.map(readIndex));
  let unsaved = 0;
  const times: string[] = [];
  for (const [i, id] of own.entries()) {
    const index = indexes[i];
    const here = index?.ok && index.value ? entryCount(index.value) : 0;
    const last = saved[id];
    // Fewer than then: deleted and brought in again, so nothing is known of it.
    unsaved += last && last.entries <= here ? here - last.entries : here;
    if (last) times.push(last.at);
  }
  const oldest = times.sort((a, b) => Date.parse(a) - Date.parse(b))[0];
  return { at: times.length === own.length ? oldest : undefined, unsaved, rigs: own.length };
}

/**
 * The book as it was before a file came in. Records of days are never written over, so a snapshot only names those that
 * counted then and holds them back from being swept up: it costs a few kilobytes, and putting it back is one switch.
 */
import * as z from "zod/mini";
import { Header, RigId } from "#core/log/schema.ts";
import { database, headerKey, metaKey, removeKeys } from "./database.ts";
import { drawToken } from "./days.ts";
import { readIndex, RigIndex, rigIds, type Change } from "./records.ts";

const KEY = metaKey("snapshots");
/** Another one whenever the snapshots are: a save asks for this alone. */
const STAMP = metaKey("snapshots-stamp");
export const MOST_SNAPSHOTS = 3;

const RigThen = z.strictObject({ id: RigId, header: Header, index: RigIndex });
const Snapshot = z.strictObject({
  at: z.string(),
  /** what was about to happen */
  why: z.string().check(z.maxLength(300)),
  rigs: z.array(RigThen),
});
export type Snapshot = z.infer<typeof Snapshot>;
const Snapshots = z.array(Snapshot);

/** Unreadable they are as good as none: what they held is swept up. */
export async function readSnapshots(): Promise<readonly Snapshot[]> {
  const parsed = Snapshots.safeParse((await database.getItem(KEY)) ?? []);
  return parsed.success ? parsed.data : [];
}

interface Held {
  /** the records of days that a snapshot may want */
  readonly keys: ReadonlySet<string>;
  /** the rigs whose photos it may */
  readonly rigs: ReadonlySet<string>;
}
const NOTHING_HELD: Held = { keys: new Set(), rigs: new Set() };
let known: { readonly stamp: unknown; readonly held: Held } = { stamp: null, held: NOTHING_HELD };

/** @returns what must not be swept up */
export async function heldBySnapshots(): Promise<Held> {
  const stamp: unknown = await database.getItem(STAMP);
  if (stamp === null) return NOTHING_HELD;
  if (known.stamp === stamp) return known.held;
  const all = (await readSnapshots()).flatMap(({ rigs }) => rigs);
  const held = {
    keys: new Set(all.flatMap(({ index }) => index.days.map(({ key }) => key))),
    rigs: new Set(all.map(({ id }) => id)),
  };
  known = { stamp, held };
  return held;
}

/** Replaced records go at once, to give room back, but for those that a snapshot wants. */
export async function letGo(keys: readonly string[]): Promise<void> {
  const { keys: held } = await heldBySnapshots();
  await removeKeys(keys.filter((key) => !held.has(key))).catch(() => undefined);
}

/** @returns what makes these the snapshots, to be carried out with whatever else changes */
export const snapshotsAre = (snapshots: readonly Snapshot[]): readonly Change[] => [
  { key: KEY, value: Snapshots.parse(snapshots.slice(0, MOST_SNAPSHOTS)) },
  { key: STAMP, value: drawToken() },
];

/** A rig that cannot be read is left out: nobody could look at it afterwards either. */
export async function bookNow(at: string, why: string): Promise<Snapshot> {
  const rigs: Snapshot["rigs"] = [];
  for (const id of await rigIds()) {
    const header = Header.safeParse(await database.getItem(headerKey(id)));
    const index = await readIndex(id);
    if (header.success && index.ok && index.value) rigs.push({ id, header: header.data, index: index.value });
  }
  return { at, why, rigs };
}

/** @returns what keeps the book as it is now, to be carried out together with what changes it */
export const takeSnapshot = async (at: string, why: string): Promise<readonly Change[]> =>
  snapshotsAre([await bookNow(at, why), ...(await readSnapshots())]);

/** A rig that is deleted goes from the snapshots too: deleted is deleted. */
export async function withoutRigs(gone: ReadonlySet<string>): Promise<readonly Change[]> {
  const before = await readSnapshots();
  if (!before.some(({ rigs }) => rigs.some(({ id }) => gone.has(id)))) return [];
  return snapshotsAre(before.map((one) => ({ ...one, rigs: one.rigs.filter(({ id }) => !gone.has(id)) })));
}

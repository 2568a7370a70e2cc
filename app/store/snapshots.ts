/** The snapshots as the tuner meets them: listed, put back, thrown away. */
import { writing } from "./book.ts";
import { tellOtherTabs } from "./changes.ts";
import { headerKey, indexKey } from "./database.ts";
import { drawToken } from "./days.ts";
import { failed, guarded, stored, type Stored } from "./failure.ts";
import { bookOf, commit, entryCount, rigIds, type Change } from "./records.ts";
import { bookNow, readSnapshots, snapshotsAre } from "./snapshot-records.ts";

/** As a screen shows it. */
export interface SnapshotSeen {
  readonly at: string;
  readonly why: string;
  readonly rigs: number;
  readonly entries: number;
}

export function listSnapshots(): Promise<Stored<readonly SnapshotSeen[]>> {
  return guarded(async () =>
    stored(
      (await readSnapshots()).map(({ at, why, rigs }) => ({
        at,
        why,
        rigs: rigs.length,
        entries: rigs.reduce((sum, { index }) => sum + entryCount(index), 0),
      })),
    ),
  );
}

const missing = () => failed("missing", "That snapshot is not there any more. Nothing was changed.");

/**
 * The rigs as they were; what has happened since goes into a snapshot of its own, so that this can be undone too.
 * @param which - when it was taken
 */
export async function putBack(which: string, at: string): Promise<Stored<null>> {
  const told: string[] = [];
  const done = await writing(async () => {
    const snapshots = await readSnapshots();
    const wanted = snapshots.find((one) => one.at === which);
    if (!wanted) return missing();
    const now = await bookNow(at, "Before going back");
    const others = snapshots.filter((one) => one !== wanted);
    const changes = wanted.rigs.flatMap(({ id, header, index }): Change[] => [
      { key: headerKey(id), value: header },
      // Another token: what was read of the same revision since is not this log.
      { key: indexKey(id), value: { ...index, token: drawToken() } },
    ]);
    // What no snapshot can hold stays where it is.
    const unreadable = (await rigIds()).filter((id) => !now.rigs.some((rig) => rig.id === id));
    told.push(...now.rigs.map(({ id }) => id), ...wanted.rigs.map(({ id }) => id));
    await commit([
      ...snapshotsAre([now, ...others]),
      ...changes,
      bookOf([...wanted.rigs.map(({ id }) => id), ...unreadable]),
    ]);
    return stored(null);
  });
  if (done.ok) for (const id of new Set(told)) tellOtherTabs(id);
  return done;
}

/** What only it held is swept up at the next visit. */
export function dropSnapshot(which: string): Promise<Stored<null>> {
  return writing(async () => {
    const left = (await readSnapshots()).filter(({ at }) => at !== which);
    await commit(snapshotsAre(left));
    return stored(null);
  });
}

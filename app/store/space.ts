/** Storage quota, usage and persistence of this browser. */

export interface Space {
  readonly usedBytes: number | undefined;
  readonly ofBytes: number | undefined;
  /** not cleared away when the device runs short; nothing where the browser does not say */
  readonly promised: boolean | undefined;
}

const storage = (): StorageManager | undefined =>
  (globalThis.navigator as { storage?: StorageManager } | undefined)?.storage;

/** Whatever cannot be told is left out: some browsers know neither. */
export async function readSpace(): Promise<Space> {
  const manager = storage();
  const estimate = await manager?.estimate?.().catch(() => undefined);
  const promised = await manager?.persisted?.().catch(() => undefined);
  return { usedBytes: estimate?.usage, ofBytes: estimate?.quota, promised };
}

let asked = false;
/** Asked once, with the first thing that a tuner has logged here: a log is worth a promise. */
export function askToKeep(): void {
  if (asked) return;
  asked = true;
  storage()
    ?.persist?.()
    .catch(() => undefined);
}

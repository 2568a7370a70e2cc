/** Write lock: across tabs with Web Locks, within one tab where there are none. */

const waiting = new Map<string, Promise<unknown>>();

function inTurn<T>(name: string, work: () => Promise<T>): Promise<T> {
  const before = waiting.get(name) ?? Promise.resolve();
  const mine = before.then(work, work);
  waiting.set(
    name,
    mine.catch(() => undefined),
  );
  return mine;
}

export async function withLock<T>(name: string, work: () => Promise<T>): Promise<T> {
  const locks = (globalThis.navigator as { locks?: LockManager } | undefined)?.locks;
  if (!locks) return inTurn(name, work);
  return await locks.request<Promise<T>>(`tamis:${name}`, work);
}

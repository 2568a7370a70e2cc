/**
 * The one place that touches localForage. IndexedDB and nothing else: another driver would show an empty book where the
 * real one cannot be opened, and keep what is typed where no later visit looks.
 */
import localforage from "localforage";

interface Where {
  readonly name: string;
  readonly storeName: string;
}
const BOOK: Where = { name: "tamis", storeName: "log" };
/** A database of its own: nothing that reads, exports or clears the book can meet what is practised. */
const PRACTICE: Where = { name: "tamis-practice", storeName: "practice" };

/** An open that takes longer will not come: something else holds the database. Seconds in which the page could listen. */
const OPEN_LIMIT_S = 5;
/** What has just failed for one question is not tried again for the next one of the same screen. */
const FAILED_FOR_MS = 1000;

/** The database could not be opened: nothing was read, and nothing is known of what is in it. */
export class BookClosed extends Error {
  override readonly name = "BookClosed";
  readonly hangs: boolean;
  constructor(why: string, hangs: boolean) {
    super(why);
    this.hangs = hangs;
  }
}

function inTime<T>(ready: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    // Second by second: a page too busy to hear the answer lets one pass, not all of them.
    const wait = (seconds: number): void => {
      timer = setTimeout(() => {
        if (seconds > 1) wait(seconds - 1);
        else reject(new BookClosed("the browser does not answer", true));
      }, 1000);
    };
    wait(OPEN_LIMIT_S);
  });
  return Promise.race([ready, late]).finally(() => clearTimeout(timer));
}

const wordsOf = (error: unknown): string =>
  error instanceof Error || error instanceof DOMException ? `${error.name}: ${error.message}` : String(error);

/** localForage only says that it found no way: the browser is asked itself. @returns nothing where it opens now */
function whyNot({ name }: Where): Promise<string | undefined> {
  return new Promise((resolve) => {
    if (typeof indexedDB === "undefined") return resolve("No available storage method");
    try {
      const request = indexedDB.open(name);
      request.onerror = () => resolve(wordsOf(request.error));
      request.onsuccess = () => {
        request.result.close();
        resolve(undefined);
      };
    } catch (error) {
      resolve(wordsOf(error));
    }
  });
}

/** Each question waits until the database is open, and fails with {@link BookClosed} where it is not. */
function databaseIn(where: Where) {
  let opening: Promise<LocalForage> | undefined;
  let slow: LocalForage | undefined;
  const inIndexedDb = () => localforage.createInstance({ ...where, driver: localforage.INDEXEDDB });

  async function open(): Promise<LocalForage> {
    // One that was only slow may have come meanwhile.
    const place = slow ?? inIndexedDb();
    slow = place;
    try {
      await inTime(place.ready());
    } catch (error) {
      if (error instanceof BookClosed) throw error;
      // It may have failed for a moment alone: then once more.
      slow = undefined;
      const why = await inTime(whyNot(where));
      if (why !== undefined) throw new BookClosed(why, false);
      const again = inIndexedDb();
      await inTime(again.ready());
      return again;
    }
    return place;
  }

  function opened(): Promise<LocalForage> {
    opening ??= open().catch((error: unknown) => {
      setTimeout(() => (opening = undefined), FAILED_FOR_MS);
      throw error;
    });
    return opening;
  }

  return {
    getItem: async <T = unknown>(key: string): Promise<T | null> => (await opened()).getItem<T>(key),
    setItem: async <T>(key: string, value: T): Promise<T> => (await opened()).setItem(key, value),
    removeItem: async (key: string): Promise<void> => (await opened()).removeItem(key),
    keys: async (): Promise<string[]> => (await opened()).keys(),
    clear: async (): Promise<void> => (await opened()).clear(),
  };
}

export const database = databaseIn(BOOK);
export const practiceDatabase = databaseIn(PRACTICE);

/** Where localForage put things when IndexedDB failed it, until it was told not to. */
export const fallbackPlace = (): LocalForage =>
  localforage.createInstance({ ...BOOK, driver: localforage.LOCALSTORAGE });

/** A browser without that storage, or one that refuses it, has nothing left in it. */
export function anythingLeft(): boolean {
  try {
    return Object.keys(localStorage).some((key) => key.startsWith(`${BOOK.name}/${BOOK.storeName}/`));
  } catch {
    return false;
  }
}

export const headerKey = (rigId: string): string => `${rigId}/header`;
export const indexKey = (rigId: string): string => `${rigId}/index`;
export const metaKey = (name: string): string => `meta/${name}`;

/** A day's record is never written over: each version has a key of its own, and the index says which one counts. */
export const dayKey = (rigId: string, day: string, version: string): string =>
  `${rigId}/day/${day}/${version}`;

/** @returns the rig that a key belongs to, or nothing for keys of the whole book */
export const rigOfKey = (key: string): string | undefined => /^(rig:[^/]+)\//.exec(key)?.[1];

export const isDayKey = (key: string): boolean => /^rig:[^/]+\/day\//.test(key);

export async function removeKeys(keys: readonly string[]): Promise<void> {
  for (const key of keys) await database.removeItem(key);
}

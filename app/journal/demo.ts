/** The demo is loaded once, on the first visit; deleted rigs stay deleted. */
import { localInstant } from "./clock.ts";
import { listRigs } from "#app/store/book.ts";
import { database, metaKey } from "#app/store/database.ts";
import type { Stored } from "#app/store/failure.ts";
import { importRigs, type Added } from "#app/store/merge.ts";

const KEY = metaKey("demo-loaded");
/** The demo with its last day on the day of that instant; its file is asked for on a first visit alone. */
async function madeFor(day: Date) {
  const { demoMovedTo } = await import("#demo/told.ts");
  const instant = localInstant(day);
  return demoMovedTo(instant.slice(0, 10), instant.slice(19));
}

/** Its last day is today once its story is over by now, else yesterday: nothing in it lies in the future. */
async function demoOf(now: Date) {
  const today = await madeFor(now);
  const ahead = today.some(({ entries }) => entries.some(({ at }) => Date.parse(at) > now.getTime()));
  if (!ahead) return today;
  const yesterday = new Date(now);
  yesterday.setDate(yesterday.getDate() - 1);
  return madeFor(yesterday);
}

/** Those of its rigs that are here stay as they are: their story may have gone on. */
export async function loadDemo(now: Date = new Date()): Promise<Stored<Added>> {
  const rigs = await demoOf(now);
  const here = await listRigs();
  if (!here.ok) return here;
  const there = new Set([...here.value.headers.map(({ id }) => id), ...here.value.unreadable]);
  return importRigs(rigs.filter(({ header }) => !there.has(header.id)));
}

let looked: Promise<void> | undefined;

/** Asked before every navigation, answered once. */
export function loadDemoOnFirstVisit(): Promise<void> {
  looked ??= lookOnce();
  return looked;
}

async function lookOnce(): Promise<void> {
  const loaded = await database.getItem(KEY).catch(() => true); // no storage: nothing to load into
  if (loaded !== null) return;
  // Nothing is taken for a first visit but a book that says that it is empty.
  const here = await listRigs();
  if (!here.ok) return;
  if (here.value.headers.length + here.value.unreadable.length > 0) {
    await database.setItem(KEY, true).catch(() => undefined);
    return;
  }
  const result = await loadDemo();
  trouble = result.ok ? undefined : `The demo could not be loaded. ${result.problem.message}`;
  if (result.ok) await database.setItem(KEY, true);
}

let trouble: string | undefined;
/** @returns why a first visit has found no place for the demo */
export const demoTrouble = (): string | undefined => trouble;

/** The demo is loaded once, on the first visit; deleted rigs stay deleted. */
import { files } from "#app/workers/client.ts";
import { localInstant } from "#app/rig/clock.ts";
import { database, metaKey } from "./database.ts";
import type { Stored } from "./failure.ts";
import { importRigs, type Added } from "./store.ts";

const KEY = metaKey("demo-loaded");
/** The story of the last day ends before this hour; earlier than that, yesterday was the last day. */
const STORY_ENDS_AT_HOUR = 15;

export async function loadDemo(now: Date = new Date()): Promise<Stored<Added>> {
  const last = new Date(now);
  if (now.getHours() < STORY_ENDS_AT_HOUR) last.setDate(last.getDate() - 1);
  const instant = localInstant(last);
  const made = await files.makeDemo(instant.slice(0, 10), instant.slice(19));
  return importRigs(made);
}

let looked: Promise<void> | undefined;

/** Asked before every navigation, answered once. */
export function loadDemoOnFirstVisit(): Promise<void> {
  looked ??= lookOnce();
  return looked;
}

async function lookOnce(): Promise<void> {
  if (!import.meta.env.VITE_DEMO) return;
  const loaded = await database.getItem(KEY).catch(() => true); // no storage: nothing to load into
  if (loaded !== null) return;
  const result = await loadDemo();
  if (result.ok) await database.setItem(KEY, true);
}

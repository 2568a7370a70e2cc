/**
 * Repeated statements about one ride count once, as their newest version: eight reports of one ride are one report. One
 * ride is everything within minutes, on one setting, in one air. Measured figures and idle benches all count, since each
 * is a measurement of its own. So does each plug: between two plugs there was a ride.
 */
import type { Reading } from "../log/schema.ts";
import { instrumentKey } from "../looks/instruments.ts";
import { instrumentOf } from "../looks/registry.ts";
import type { Look } from "./look-evidence.ts";

/** A look this long after the one before it is of another ride. */
const SAME_RIDE_MS = 20 * 60_000;
const WORDS: ReadonlySet<Reading["type"]> = new Set(["rideReport", "symptom", "compared"]);

/** Where both name their ride, that decides; else the time between them, the air and what was fitted. */
function isApart(before: Look | undefined, look: Look): boolean {
  if (!before) return false;
  const [then, now] = [before.entry.ride, look.entry.ride];
  if (then !== undefined && now !== undefined) return then !== now;
  return (
    Date.parse(look.entry.at) - Date.parse(before.entry.at) > SAME_RIDE_MS ||
    look.air?.id !== before.air?.id ||
    JSON.stringify(look.settings) !== JSON.stringify(before.settings)
  );
}

/** @param looks - in order; @returns the ride of each, counted from 0 */
function ridesOf(looks: readonly Look[]): ReadonlyMap<Look, number> {
  const rides = new Map<Look, number>();
  let [ride, before] = [0, looks[0]];
  for (const look of looks) {
    const apart = isApart(before, look);
    if (apart) ride += 1;
    rides.set(look, ride);
    before = look;
  }
  return rides;
}

const aboutOf = (reading: Reading): string =>
  reading.type === "symptom" ? reading.symptom : reading.type === "compared" ? (reading.fit ?? "") : "";

/**
 * @param said - of one day, in order: each look, and the zone that this is said of
 * @returns those that a newer word of the same ride has taken the place of
 */
export function superseded<
  T extends { readonly look: Look | undefined; readonly item: { readonly zone: string } },
>(said: readonly T[]): ReadonlySet<T> {
  const rides = ridesOf([...new Set(said.flatMap(({ look }) => (look ? [look] : [])))]);
  const newest = new Set<string>();
  const old = new Set<T>();
  for (const one of [...said].reverse()) {
    const { look, item } = one;
    if (!look || !WORDS.has(look.entry.reading.type)) continue;
    const { reading, cylinder = "" } = look.entry;
    const instrument = instrumentOf(reading);
    const key = [
      rides.get(look),
      reading.type,
      item.zone,
      cylinder,
      instrument ? instrumentKey(instrument) : "",
      aboutOf(reading),
    ].join(" ");
    if (newest.has(key)) old.add(one);
    newest.add(key);
  }
  return old;
}

/** Finds a ride report and a plug reading that contradict each other in one zone. */
import { ZONES, type Zone } from "../carburettor/zones.ts";
import type { Present, SeenLook } from "../log/present.ts";
import { TONES, type Tone } from "../log/parts.ts";
import { dayOf, type LookEntry } from "../log/schema.ts";

export interface Contradiction {
  readonly zone: Zone;
  readonly felt: "rich" | "lean";
  readonly tone: Tone;
  readonly ride: LookEntry;
  readonly plug: LookEntry;
}

/** A tone next to the right one is no word against what was felt. */
const CLEARLY = 2;
const RIGHT = TONES.indexOf("biscuit");

/** @returns what a plug says beyond doubt, if it does */
function plainly(tone: Tone): "rich" | "lean" | undefined {
  const off = TONES.indexOf(tone) - RIGHT;
  if (off <= -CLEARLY) return "lean";
  return off >= CLEARLY ? "rich" : undefined;
}

const sameMachine = (a: SeenLook, b: SeenLook): boolean =>
  a.build === b.build &&
  a.reopenings === b.reopenings &&
  dayOf(a.entry.at) === dayOf(b.entry.at) &&
  JSON.stringify(a.settings) === JSON.stringify(b.settings);

/** The looks of the newest look's day, machine and setting; none where it was of another than is fitted. */
function looksNow({ looks, settings }: Present): readonly SeenLook[] {
  const fitted = JSON.stringify(settings);
  const newest = looks.findLast((look) => JSON.stringify(look.settings) === fitted);
  return newest ? looks.filter((look) => sameMachine(look, newest)) : [];
}

/** @returns zones in which plugs of one cylinder, read of what is fitted on one day, exclude each other */
export function contradictedZones(present: Present): ReadonlySet<Zone> {
  const said = new Map<string, "rich" | "lean">();
  const zones = new Set<Zone>();
  for (const { entry } of looksNow(present)) {
    const { reading, cylinder = "" } = entry;
    const says = reading.type === "plug" ? plainly(reading.tone) : undefined;
    if (reading.type !== "plug" || !says) continue;
    const key = `${reading.zone} ${cylinder}`;
    if ((said.get(key) ?? says) !== says) zones.add(reading.zone);
    said.set(key, says);
  }
  return zones;
}

/**
 * @param present - what the log adds up to
 * @returns of each zone the newest ride and the newest plug of the same day on what is fitted, where one says rich and
 *   the other lean; nothing is weighed here, it is asked
 */
export function contradictions(present: Present): Contradiction[] {
  const now = looksNow(present);
  return ZONES.flatMap((zone): Contradiction[] => {
    const ride = now.findLast(
      ({ entry: { reading } }) => reading.type === "rideReport" && reading.felt[zone],
    );
    const plug = now.findLast(({ entry: { reading } }) => reading.type === "plug" && reading.zone === zone);
    if (ride?.entry.reading.type !== "rideReport" || plug?.entry.reading.type !== "plug") return [];
    const felt = ride.entry.reading.felt[zone];
    const { tone } = plug.entry.reading;
    const says = plainly(tone);
    if (felt === undefined || felt === "clean" || says === undefined || says === felt) return [];
    return [{ zone, felt, tone, ride: ride.entry, plug: plug.entry }];
  });
}

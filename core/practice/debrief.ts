/** Debrief of a game: stop by stop what was read and how far off it was, and what each change did to the engine. */
import { perZone, ZONES, type PerZone, type Zone } from "../carburettor/zones.ts";
import { TONES } from "../log/parts.ts";
import { FELT } from "../log/readings/ride-report.ts";
import type { Change, Entry, Setting } from "../log/schema.ts";
import { feltAs, toneShown } from "../simulator/truth.ts";
import { Game, type Action } from "./game.ts";
import type { Scenario } from "./scenario.ts";
import { timelineOf, type Done } from "./timeline.ts";
import { lossOf } from "./true-loss.ts";

/** A reading that was off: in tones, or in steps of how it pulled; + towards lean. */
export interface ReadOff {
  readonly type: "plug" | "rideReport";
  readonly zone: Zone;
  readonly by: number;
}

/** What was done between one change and the next. */
export interface Stop {
  /** on the clock when it ended */
  readonly minutes: number;
  readonly rides: number;
  /** readings that were written down */
  readonly looks: number;
  readonly off: readonly ReadOff[];
  readonly changes: readonly Change[];
  readonly before: PerZone<number>;
  readonly after: PerZone<number>;
  /** loss saved by the change; - lost */
  readonly saved: number;
  /** entries of the log before the change: what the card would have said stands on them */
  readonly entries: number;
  readonly setting: Setting;
}

/** One tone is within what an eye can tell; so is nothing between two words of a ride. */
const TONES_OFF = 2;

function offIn(entry: Entry, shows: PerZone<number> | undefined, now: PerZone<number>): ReadOff[] {
  if (entry.kind !== "look") return [];
  const { reading } = entry;
  if (reading.type === "plug" && shows) {
    // Tones run from lean to rich.
    const by = TONES.indexOf(toneShown(shows[reading.zone])) - TONES.indexOf(reading.tone);
    return Math.abs(by) >= TONES_OFF ? [{ type: "plug", zone: reading.zone, by }] : [];
  }
  if (reading.type !== "rideReport") return [];
  return ZONES.flatMap((zone): ReadOff[] => {
    const felt = reading.felt[zone];
    if (felt === undefined) return [];
    const by = FELT.indexOf(felt) - FELT.indexOf(feltAs(now[zone]));
    return Math.abs(by) >= 2 ? [{ type: "rideReport", zone, by }] : [];
  });
}

export interface Debrief {
  readonly start: PerZone<number>;
  readonly end: PerZone<number>;
  readonly stops: readonly Stop[];
  readonly rides: number;
}

/** @param entries - in the order in which they were written */
export function debriefOf(scenario: Scenario, entries: readonly Entry[], done: readonly Done[]): Debrief {
  const game = new Game(scenario);
  const start = game.errors;
  const steps = timelineOf(game.settings, entries, done);
  const stops: Stop[] = [];
  let [rides, ridesSince, looks] = [0, 0, 0];
  let off: ReadOff[] = [];
  let read = 0;
  const readUpTo = (count: number) => {
    for (const entry of entries.slice(read, count)) {
      if (entry.kind === "look") looks += 1;
      off = [...off, ...offIn(entry, game.ridden, game.errors)];
    }
    read = Math.max(read, count);
  };
  const close = (changes: readonly Change[], act: () => void, count: number) => {
    const [before, setting] = [game.errors, game.setting];
    act();
    const after = game.errors;
    const saved = lossOf(scenario.build, before) - lossOf(scenario.build, after);
    const { minutes } = game;
    stops.push({
      minutes,
      rides: ridesSince,
      looks,
      off,
      changes,
      before,
      after,
      saved,
      entries: count,
      setting,
    });
    [ridesSince, looks, off] = [0, 0, []];
  };
  const changesOf = (action: Action): readonly Change[] => (action.do === "change" ? action.changes : []);
  for (const { action, entry, entries: count } of steps) {
    readUpTo(entry ? count - 1 : count);
    const act = () => void game.act(action);
    // Who is done right after a change has looked at nothing more.
    const nothingSince = action.do === "done" && ridesSince === 0 && looks === 0;
    if (action.do === "change" || action.do === "mend" || (action.do === "done" && !nothingSince))
      close(changesOf(action), act, entry ? count - 1 : count);
    else act();
    if (action.do === "ride") [rides, ridesSince] = [rides + 1, ridesSince + 1];
  }
  readUpTo(entries.length);
  if (ridesSince > 0 || looks > 0) close([], () => undefined, entries.length);
  return { start: perZone((zone) => start[zone]), end: perZone((zone) => game.errors[zone]), stops, rides };
}

/** Simulated GNSS receiver: standing still, sprinting or lapping. */
import type { Fix, Place } from "#core/satellites/fix.ts";
import { seededRandom } from "#core/numbers/random.ts";
import {
  alongStraight,
  drawSprinter,
  roundCourse,
  seenBy,
  sprintOf,
  type Receiver,
  type Truth,
} from "#core/simulator/satellite-ride.ts";
import type { DeviceAbout } from "./device.ts";
import { RECEIVER } from "./satellites.ts";
import { Simulated } from "./simulated.ts";

/** As a good receiver beside a phone sees it. */
const SEES: Receiver = { rateHz: 10, placeSdM: 2, lastsS: 20, speedSdMs: 0.2 };
const EVERY_MS = 1000 / SEES.rateHz;
/** Then it stands at the start again, pushed back. */
const SPRINT_S = 25;
const TRUTH_S = 0.02;

export type Ride = "stands" | "sprints" | "laps";

/** An invented coast. */
const SIMULATED_PLACE: Place = { latitude: 45.2, longitude: -1.2 };

export class SimulatedSatellites extends Simulated<Fix> {
  readonly about: DeviceAbout = { ...RECEIVER, name: "Satellites", simulated: true };
  private readonly see: (timeS: number) => Fix;
  private clockMs = 0;
  private given = 0;

  /**
   * @param pace - of a practice engine: the share of its power that its mixture leaves it, and the seed of its rider, who
   *   is the same from run to run
   */
  constructor(ride: Ride, heightM: number, seed: number, pace?: { powerShare: number; riderSeed: number }) {
    super();
    const random = seededRandom(seed);
    const truths: readonly Truth[] =
      ride === "sprints"
        ? sprintOf(
            drawSprinter(pace ? seededRandom(pace.riderSeed) : random, pace?.powerShare),
            SPRINT_S,
            TRUTH_S,
          )
        : [];
    this.see = seenBy(
      (timeS) => {
        // Against the air speed goes with the cube root of power.
        if (ride === "laps") return roundCourse(timeS * Math.cbrt(pace?.powerShare ?? 1));
        const truth = truths[Math.round((timeS % SPRINT_S) / TRUTH_S)];
        return { ...alongStraight(truth?.alongM ?? 0), speedMs: truth?.speedMs ?? 0 };
      },
      SEES,
      { ...SIMULATED_PLACE, heightM },
      random,
    );
  }

  protected sample(_atMs: number, dtMs: number): readonly Fix[] {
    this.clockMs += dtMs;
    const fixes: Fix[] = [];
    while ((this.given + 1) * EVERY_MS <= this.clockMs) {
      this.given += 1;
      fixes.push(this.see((this.given * EVERY_MS) / 1000));
    }
    return fixes;
  }
}

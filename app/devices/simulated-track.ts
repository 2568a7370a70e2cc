/** Simulated GPS receiver's file of a ride up a mountain. */
import { seededRandom } from "#core/numbers/random.ts";
import { DEMO_COL, drawTrack, gpxOf } from "#core/simulator/mountain-track.ts";
import { seedOf } from "./simulated-engine.ts";

export function simulatedTrack(name: string, startMs: number): Blob {
  const points = drawTrack(DEMO_COL, startMs, seededRandom(seedOf(name)));
  return new Blob([gpxOf(DEMO_COL.name, points)], { type: "application/gpx+xml" });
}

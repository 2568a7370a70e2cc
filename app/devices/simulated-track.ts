/** The stand-in for a receiver that has been ridden up a mountain: the file it would leave. */
import { seededRandom } from "#core/numbers/random.ts";
import { drawTrack, gpxOf, type Col } from "#core/simulator/mountain-track.ts";
import { seedOf } from "./simulated-engine.ts";

/** The mountain of the demo. */
export const DEMO_COL: Col = {
  name: "Col de la Brume",
  bottomM: 380,
  topM: 1910,
  lengthM: 19_400,
  averageMs: 9,
};

export function simulatedTrack(name: string, startMs: number): Blob {
  const points = drawTrack(DEMO_COL, startMs, seededRandom(seedOf(name)));
  return new Blob([gpxOf(DEMO_COL.name, points)], { type: "application/gpx+xml" });
}

/** Simulated GPS track over a mountain pass, with outliers and a stop. */
import type { Random } from "../numbers/random.ts";
import type { TrackPoint } from "../route/track.ts";

export interface Col {
  readonly name: string;
  readonly bottomM: number;
  readonly topM: number;
  readonly lengthM: number;
  readonly averageMs: number;
}

/** The mountain of the demo. */
export const DEMO_COL: Col = {
  name: "Col de la Brume",
  bottomM: 380,
  topM: 1910,
  lengthM: 19_400,
  averageMs: 9,
};

const EVERY_S = 4;
const METRES_A_DEGREE = 111_195;
/** In the middle of an ocean: of no place in the world. */
const NOWHERE = { latitude: 0.5, longitude: -25 };
const STOP_AT = 0.55;
const STOP_S = 300;

/** @returns its points from the bottom to the top, from an instant on */
export function drawTrack(
  { bottomM, topM, lengthM, averageMs }: Col,
  startMs: number,
  random: Random,
): TrackPoint[] {
  const count = Math.ceil(lengthM / (averageMs * EVERY_S));
  const hairpins = 9 + Math.floor(5 * random.uniform());
  let wander = 0;
  let { latitude, longitude } = NOWHERE;
  return Array.from({ length: count + 1 }, (_, i): TrackPoint => {
    const share = i / count;
    const step = (lengthM / count / METRES_A_DEGREE) * (i === 0 ? 0 : 1);
    const heading = 1.25 * Math.sin(hairpins * Math.PI * share) + 0.3;
    latitude += step * Math.cos(heading);
    longitude += step * Math.sin(heading);
    wander = 0.97 * wander + 1.2 * random.normal();
    // Steep in the middle, a plateau before the last ramp.
    const rise = share - 0.09 * Math.sin(2 * Math.PI * share) - 0.03 * Math.sin(6 * Math.PI * share);
    const spike = random.uniform() < 0.004 ? 180 : 0;
    return {
      latitude,
      longitude,
      elevationM: bottomM + (topM - bottomM) * rise + wander + spike,
      ms: startMs + 1000 * (i * EVERY_S + (share > STOP_AT ? STOP_S : 0)),
    };
  });
}

/** @returns the same as the file that a receiver would leave */
export function gpxOf(name: string, points: readonly TrackPoint[]): string {
  const rows = points.map(
    ({ latitude, longitude, elevationM = 0, ms = 0 }) =>
      `<trkpt lat="${latitude.toFixed(6)}" lon="${longitude.toFixed(6)}"><ele>${elevationM.toFixed(1)}</ele><time>${new Date(ms).toISOString()}</time></trkpt>`,
  );
  return `<?xml version="1.0" encoding="UTF-8"?>\n<gpx version="1.1" creator="Tamis" xmlns="http://www.topografix.com/GPX/1/1"><trk><name>${name}</name><trkseg>\n${rows.join("\n")}\n</trkseg></trk></gpx>\n`;
}

/** The kinds of look this tuner can take: as stated, else the usual ones and those in the log. */
import type { Present } from "../../log/present.ts";
import type { LookMeans } from "../../log/schools.ts";
import type { Build } from "../../log/schema.ts";

const EVERYBODYS: readonly LookMeans[] = ["plug", "idleBench", "rideReport"];

export function lookMeans({ schools, looks, runs }: Present, { heat }: Build): readonly LookMeans[] {
  if (schools.lookWith) return schools.lookWith;
  const seen = new Set(looks.map(({ entry }) => entry.reading.type));
  return [
    ...EVERYBODYS,
    ...(seen.has("lambda") ? (["lambda"] as const) : []),
    ...(seen.has("temperature") || heat ? (["temperature"] as const) : []),
    ...(runs.length > 0 ? (["stopwatch"] as const) : []),
  ];
}

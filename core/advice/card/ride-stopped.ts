/** Symptoms that stop riding until a plug or a check clears them: it pinged, it cut out, it seized. */
import type { Present } from "../../log/present.ts";
import type { Symptom } from "../../log/symptom-names.ts";

/** The gravest first. */
export const RIDE_STOPPERS = ["seized", "pings", "cutsOutHeldOpen"] as const satisfies readonly Symptom[];
export type RideStopper = (typeof RIDE_STOPPERS)[number];

/**
 * A plug read after it clears the stop: it is what must be looked at. So does a check that was made, or a word on a
 * fault. Another setting clears none of them: it does not say what it was.
 * @returns what stopped the riding, if nobody has looked since
 */
export function rideStopped({ looks, lines }: Present): RideStopper | undefined {
  const lookedAt = lines.findLastIndex(
    ({ entry, struck }) =>
      !struck &&
      ((entry.kind === "check" && entry.state !== "skipped") ||
        entry.kind === "fault" ||
        (entry.kind === "look" && entry.reading.type === "plug")),
  );
  const since = new Set(lines.slice(lookedAt + 1).map(({ entry }) => entry.id));
  const said = looks.flatMap(({ entry: { id, reading } }) =>
    reading.type === "symptom" && since.has(id) ? [reading.symptom] : [],
  );
  return RIDE_STOPPERS.find((symptom) => said.includes(symptom));
}

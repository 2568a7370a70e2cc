/** Names of symptoms, whether each is lean or rich, and the zone where it usually shows. */
import * as z from "zod/mini";

type Kind = "lean" | "rich";
type Zone = "idle" | "low" | "mid" | "top";

export const SYMPTOMS = {
  hangsHigh: { kind: "lean", zone: "idle" },
  popsOnOverrun: { kind: "lean", zone: "idle" },
  needsChokeWarm: { kind: "lean", zone: "idle" },
  bogs: { kind: "lean", zone: "low" },
  surges: { kind: "lean", zone: "mid" },
  pings: { kind: "lean", zone: "top" },
  seized: { kind: "lean", zone: "top" },
  runsHot: { kind: "lean", zone: "top" },
  fadesHot: { kind: "lean", zone: "top" },
  cutsOutHeldOpen: { kind: "lean", zone: "top" },
  dropsLow: { kind: "rich", zone: "idle" },
  wetPlug: { kind: "rich", zone: "idle" },
  drips: { kind: "rich", zone: "idle" },
  stutters: { kind: "rich", zone: "low" },
  smokes: { kind: "rich", zone: "mid" },
  drinksMore: { kind: "rich", zone: "mid" },
  cleansOnlyHeldOpen: { kind: "rich", zone: "mid" },
  fourStrokes: { kind: "rich", zone: "top" },
  cutsInAndOut: { kind: "rich", zone: "top" },
} as const satisfies Readonly<Record<string, { kind: Kind; zone: Zone }>>;

export type Symptom = keyof typeof SYMPTOMS;
export const SYMPTOM_NAMES = Object.keys(SYMPTOMS) as [Symptom, ...Symptom[]];
export const SymptomName = z.enum(SYMPTOM_NAMES);

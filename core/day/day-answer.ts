/** Result of a day query: plan over the heats, right settings in between, and the source of the air. */
import { groupOf, judgeOf, type Case } from "../advice/judge/case.ts";
import { unexplainedLean, type UnexplainedLean } from "../advice/plan/unexplained-lean.ts";
import { airSource, thinnestWithoutFiles, type AirSource } from "./air-source.ts";
import { planDay, type DayPlan } from "./plan-day.ts";
import { wantedOver, type Moment } from "./wanted.ts";

export interface DayAnswer {
  readonly plan: DayPlan;
  readonly moments: readonly Moment[];
  readonly source: Omit<AirSource, "airAt">;
  /** of each heat: the forecast alone leans the top, further than the reading's own doubt explains */
  readonly unexplained: readonly (UnexplainedLean | undefined)[];
}

const STEP_MS = 600_000;
const AROUND_MS = 3_600_000;
/** A day of ten-minute steps; heats further apart than that are drawn more coarsely. */
const MOST_MOMENTS = 144;

/** @returns nothing where no heats were named; @throws {RangeError} for a height no wheel can reach */
export function dayAnswer(open: Case, carburettor = 0): DayAnswer | undefined {
  const { heats } = open.present.ahead;
  if (!heats) return undefined;
  const inOrder = [...heats.heats].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const starts = inOrder.map(({ at }) => Date.parse(at));
  const fromMs = (starts[0] ?? 0) - AROUND_MS;
  const toMs = (starts.at(-1) ?? 0) + (inOrder.at(-1)?.minutes ?? 0) * 60_000 + AROUND_MS;
  const { airAt, ...source } = airSource(open.present, open.build, {
    place: heats.place,
    elevationM: heats.elevationM,
    fromMs,
    toMs,
  });
  const here = (ms: number) => airAt(ms, heats.elevationM);
  const plan = planDay(open, inOrder, here, carburettor);
  const step = Math.max(STEP_MS, (toMs - fromMs) / MOST_MOMENTS);
  const count = Math.floor((toMs - fromMs) / step) + 1;
  const airs = Array.from({ length: count }, (_, i) => here(fromMs + i * step));
  const setting = plan.heats[0]?.setting ?? plan.fitted;
  const group = groupOf(open, carburettor);
  const unexplained = plan.heats.map(({ heat, setting: wanted }) => {
    if (source.kind !== "forecast") return undefined;
    const ms = Date.parse(heat.at) + heat.minutes * 30_000;
    const thinnest = thinnestWithoutFiles(open.present, open.build, { ms, elevationM: heats.elevationM });
    return unexplainedLean(judgeOf(open, group, thinnest), plan.fitted, wanted);
  });
  return { plan, moments: wantedOver(open, airs, setting, carburettor), source, unexplained };
}

/** Result of a route query. */
import { groupOf, judgeOf, type Case } from "../advice/judge/case.ts";
import { unexplainedLean, type UnexplainedLean } from "../advice/plan/unexplained-lean.ts";
import { airSource, thinnestWithoutFiles, type AirSource } from "../day/air-source.ts";
import { airsRead } from "../log/airs-read.ts";
import type { Present } from "../log/present.ts";
import type { RouteEntry } from "../log/schema.ts";
import { planRoute, type RoutePlan } from "./plan-route.ts";

export interface RouteAnswer {
  readonly plan: RoutePlan;
  /** height and air along the way */
  readonly along: readonly {
    readonly alongM: number;
    readonly elevationM: number;
    readonly dryDensityKgM3: number;
  }[];
  readonly source: Omit<AirSource, "airAt">;
  /** the file alone leans the top: its heights, or the forecast's air, are to be said right first */
  readonly unexplained: UnexplainedWay | undefined;
}

export interface UnexplainedWay extends UnexplainedLean {
  readonly by: "heights" | "forecast";
  readonly highestM: number;
  /** the highest that anybody has been, by readings and places; none is known */
  readonly knownM: number | undefined;
}

/** The highest place that was ever read at or noted: what a file adds to that is its own. */
function highestKnown(present: Present): number | undefined {
  const { places, heats } = present.ahead;
  const heights = [...airsRead(present), ...places.values(), ...(heats ? [heats] : [])].flatMap(
    ({ elevationM }) => elevationM ?? [],
  );
  return heights.length === 0 ? undefined : Math.max(...heights);
}

/** A way this much higher than anybody has been is the file's own word. */
const HIGHER_M = 150;

function unexplainedWay(
  open: Case,
  { points, startAt }: RouteEntry,
  plan: RoutePlan,
  source: Pick<AirSource, "kind">,
  carburettor: number,
): UnexplainedWay | undefined {
  const { present, build } = open;
  const knownM = highestKnown(present);
  const heights = points.map(({ elevationM }) => elevationM);
  const highestM = Math.max(...heights);
  const middle = points[Math.floor(points.length / 2)];
  const thinnest = thinnestWithoutFiles(present, build, {
    ms: Date.parse(startAt) + 1000 * (middle?.seconds ?? 0),
    // A way that is lower than what is known explains itself.
    elevationM: Math.min(highestM, knownM ?? Math.min(...heights)),
  });
  const odd = unexplainedLean(judgeOf(open, groupOf(open, carburettor), thinnest), plan.fitted, plan.setting);
  const higher = highestM > (knownM ?? -Infinity) + HIGHER_M;
  return (
    odd && { ...odd, by: higher || source.kind !== "forecast" ? "heights" : "forecast", highestM, knownM }
  );
}

const MOST_DRAWN = 200;

/** @throws {RangeError} if the log holds no such way */
export function routeAnswer(open: Case, routeId: string, carburettor = 0): RouteAnswer {
  const route = open.present.ahead.routes.find(({ id }) => id === routeId);
  if (!route) throw new RangeError(`route must be one of the log's, got ${routeId}`);
  return answerFor(open, route, carburettor);
}

function answerFor(open: Case, route: RouteEntry, carburettor: number): RouteAnswer {
  const { points, startAt } = route;
  const fromMs = Date.parse(startAt);
  const toMs = fromMs + 1000 * (points.at(-1)?.seconds ?? 0);
  const elevationM = open.present.air?.elevationM ?? points[0]?.elevationM ?? 0;
  const { airAt, ...source } = airSource(open.present, open.build, { elevationM, fromMs, toMs });
  const every = Math.max(1, Math.ceil(points.length / MOST_DRAWN));
  const drawn = points.filter((_, i) => i % every === 0 || i === points.length - 1);
  const plan = planRoute(open, route, airAt, carburettor);
  return {
    plan,
    unexplained: unexplainedWay(open, route, plan, source, carburettor),
    along: drawn.map(({ alongM, elevationM: height, seconds }) => ({
      alongM,
      elevationM: height,
      dryDensityKgM3: airAt(fromMs + 1000 * seconds, height).air.dryDensityKgM3,
    })),
    source,
  };
}

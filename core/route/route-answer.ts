/** All that the route's screen shows of one way. */
import type { Case } from "../advice/case.ts";
import { airSource, type AirSource } from "../day/air-source.ts";
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
  return {
    plan: planRoute(open, route, airAt, carburettor),
    along: drawn.map(({ alongM, elevationM: height, seconds }) => ({
      alongM,
      elevationM: height,
      dryDensityKgM3: airAt(fromMs + 1000 * seconds, height).air.dryDensityKgM3,
    })),
    source,
  };
}

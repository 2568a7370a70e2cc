/** The screens of a rig in the order of the work, each with what it says of its state. */
import { syncOf } from "#core/rig/carburettors.ts";
import { spread } from "#core/balance/spread.ts";
import { dayOf, type Build } from "#core/log/schema.ts";
import { CHECKS } from "#core/log/walk-round-names.ts";
import { localInstant } from "#app/journal/clock.ts";
import type { RigContext } from "./use-rig.ts";

export interface Place {
  readonly name: string;
  readonly path: string;
  /** the key after `g` */
  readonly key: string;
  readonly state: (context: RigContext) => string;
  /** further screens that belong to it */
  readonly also?: readonly string[];
  /** one of the few in reach of a thumb; the rest stands behind More */
  readonly onPhone?: true;
  /** only where there is such work; always unless said */
  readonly isFor?: (build: Build) => boolean;
}

/** @returns the screens that this machine has work for */
export const placesFor = (build: Build): readonly Place[] =>
  PLACES.filter(({ isFor }) => isFor === undefined || isFor(build));

const timeOf = (at: string | undefined): string => at?.slice(11, 16) ?? "";

function walkRoundState({ present: { checks, held } }: RigContext): string {
  if (held.length > 0) return "stop";
  const today = dayOf(localInstant());
  const done = Object.values(checks).filter((entry) => dayOf(entry.at) === today).length;
  return done === 0 ? "due" : `${done} of ${CHECKS.length}`;
}

function idleState({ present: { looks } }: RigContext): string {
  const last = looks.findLast(({ entry }) => entry.reading.type === "bestIdle");
  return timeOf(last?.entry.at);
}

/** In step or not, by the newest word of the gauges. */
function cylindersState({ present: { balances }, build }: RigContext): string {
  const last = balances.at(-1);
  if (!last) return "";
  return spread(last.afterPa) <= syncOf(build).vacuumSpreadPa ? "in step" : "out of step";
}

/** When the next heat starts. */
function heatState({ present: { ahead } }: RigContext): string {
  const now = localInstant();
  const next = ahead.heats?.heats.find(({ at }) => Date.parse(at) > Date.parse(now));
  return next && dayOf(next.at) === dayOf(now) ? timeOf(next.at) : "";
}

export const PLACES: readonly Place[] = [
  { name: "Today", path: "", key: "t", state: () => "", onPhone: true },
  {
    name: "Rig",
    path: "build",
    key: "r",
    state: ({ build }) => (build.assumed ? `${build.assumed.length} assumed` : ""),
    also: ["measure", "needle", "box", "parts", "base", "teardown", "work", "schools"],
  },
  { name: "Walk-round", path: "walk-round", key: "w", state: walkRoundState },
  {
    name: "Air",
    path: "air",
    key: "a",
    onPhone: true,
    state: ({ present }) => timeOf(present.air?.at) || "not read",
  },
  { name: "Idle", path: "idle", key: "i", state: idleState, also: ["idle-speed"] },
  {
    name: "Look",
    path: "look",
    key: "l",
    onPhone: true,
    state: ({ present }) => (present.openChange ? "due" : `${present.looks.length}`),
    also: ["stopwatch", "logger"],
  },
  { name: "Change", path: "change", key: "c", state: ({ present }) => (present.openChange ? "open" : "") },
  {
    name: "Cylinders",
    path: "cylinders",
    key: "n",
    isFor: ({ engine }) => engine.cylinders > 1,
    state: cylindersState,
    also: ["balance"],
  },
  { name: "Sieve", path: "sieve", key: "s", onPhone: true, state: () => "" },
  { name: "What if", path: "what-if", key: "f", state: () => "", also: ["map"] },
  {
    name: "Why",
    path: "why",
    key: "y",
    state: ({ advice }) => (advice && advice.surprises.length > 0 ? "question" : ""),
  },
  {
    name: "Log",
    path: "log",
    key: "o",
    onPhone: true,
    state: ({ present }) => `${present.lines.length}`,
    also: ["compare", "then"],
  },
  {
    name: "Day",
    path: "day",
    key: "d",
    state: heatState,
    also: ["route", "season", "places", "days"],
  },
  { name: "Pack", path: "pack", key: "p", state: () => "" },
];

export const placeHref = (rigId: string, path: string): string =>
  `/rigs/${rigId}${path === "" ? "" : `/${path}`}`;

/** @returns the bench of parts with one of them looked at */
export const partHref = (rigId: string, name: string): string =>
  `${placeHref(rigId, "parts")}?${new URLSearchParams({ part: name }).toString()}`;

/** Strip and card are read on Today, and on Air while it is typed; elsewhere the work gets the room. */
export const isReadFrom = (rigId: string, pathname: string): boolean =>
  ["", "/air"].some((path) => pathname.replace(/\/$/, "") === `/rigs/${rigId}${path}`);

/** @returns whether a place is the one on screen, with the screens that belong to it */
export function isAt(place: Place, rigId: string, pathname: string): boolean {
  const at = (path: string) => decodeURIComponent(pathname) === placeHref(rigId, path);
  const within =
    place.path !== "" && decodeURIComponent(pathname).startsWith(`${placeHref(rigId, place.path)}/`);
  return at(place.path) || within || (place.also ?? []).some(at);
}

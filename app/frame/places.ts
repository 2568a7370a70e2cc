/** The map of a rig: its places, each with its screens and what it says of its state. */
import { syncOf } from "#core/rig/carburettors.ts";
import { spread } from "#core/balance/spread.ts";
import { dayOf, type Build } from "#core/log/schema.ts";
import { CHECKS } from "#core/log/walk-round-names.ts";
import { localInstant } from "#app/journal/clock.ts";
import { isPractice } from "#app/store/practice-rigs.ts";
import { pageOfScreen } from "#app/vocabulary/help.ts";
import type { RigContext } from "./use-rig.ts";

/** One screen of a place: a tab, or on Look a kind of look. */
export interface Screen {
  readonly name: string;
  readonly path: string;
  /** of the browser's tab, where the name alone does not say it */
  readonly title?: string;
}

export interface Place {
  readonly name: string;
  /** the key after `g` */
  readonly key: string;
  readonly state: (context: RigContext) => string;
  /** in their order; the first is what the place's question needs most */
  readonly screens: readonly [Screen, ...Screen[]];
  /** screens that one of these leads to */
  readonly within?: readonly Screen[];
  /** one of the few in reach of a thumb; the rest stands behind More */
  readonly onPhone?: true;
  /** only where there is such work; always unless said */
  readonly isFor?: (build: Build) => boolean;
  /** on a practice rig: too, alone, or not at all unless said */
  readonly inPractice?: "too" | "alone";
}

/** @returns the places that this machine has work for */
export const placesFor = (build: Build, practice = false): readonly Place[] =>
  PLACES.filter(
    ({ isFor, inPractice }) =>
      (isFor === undefined || isFor(build)) && (practice ? inPractice !== undefined : inPractice !== "alone"),
  );

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

const alone = (name: string, path: string): readonly [Screen] => [{ name, path }];

/** Where a practice engine is ridden and debriefed. */
export const DESK: Screen = { name: "Practice", path: "practice" };

/** One place for one question. */
export const PLACES: readonly Place[] = [
  {
    name: "Practice",
    key: "p",
    screens: [DESK],
    state: ({ game }) => (game ? `${game.view.minutesLeft} min` : ""),
    onPhone: true,
    inPractice: "alone",
  },
  { name: "Today", key: "t", screens: alone("Today", ""), state: () => "", onPhone: true },
  {
    name: "Air",
    key: "a",
    screens: alone("Air", "air"),
    state: ({ present }) => timeOf(present.air?.at) || "not read",
    onPhone: true,
  },
  {
    name: "Walk-round",
    key: "w",
    screens: alone("Walk-round", "walk-round"),
    state: walkRoundState,
    inPractice: "too",
  },
  {
    name: "Idle",
    key: "i",
    screens: [
      { name: "Bench", path: "idle", title: "Idle" },
      { name: "Speed and pump", path: "idle-speed", title: "Idle speed and pump" },
    ],
    state: idleState,
    inPractice: "too",
  },
  {
    name: "Look",
    key: "l",
    screens: [
      { name: "Plug", path: "look?how=plug", title: "Look" },
      { name: "The ride", path: "look?how=ride" },
      { name: "What it did", path: "look?how=symptom" },
      { name: "λ meter", path: "look?how=lambda" },
      { name: "Heat", path: "look?how=temperature" },
      { name: "Crown", path: "look?how=witness" },
      { name: "All is right", path: "look?how=proven" },
      { name: "Stopwatch", path: "stopwatch" },
      { name: "Logger", path: "logger", title: "Logger’s file" },
    ],
    state: ({ present }) => (present.openChange ? "due" : `${present.looks.length}`),
    onPhone: true,
    inPractice: "too",
  },
  {
    name: "Change",
    key: "c",
    screens: [
      { name: "Fitted", path: "change", title: "Change" },
      { name: "A part swapped", path: "swap" },
      { name: "Work done", path: "work" },
    ],
    state: ({ present }) => (present.openChange ? "open" : ""),
    onPhone: true,
    inPractice: "too",
  },
  {
    name: "Cylinders",
    key: "n",
    screens: [
      { name: "Side by side", path: "cylinders", title: "Cylinders" },
      { name: "Balance", path: "balance" },
    ],
    isFor: ({ engine }) => engine.cylinders > 1,
    state: cylindersState,
    inPractice: "too",
  },
  {
    name: "Sieve",
    key: "s",
    screens: [
      { name: "Why", path: "why" },
      { name: "Sieve", path: "sieve" },
      { name: "What if", path: "what-if" },
      { name: "Map", path: "map", title: "Map of the mixture" },
    ],
    state: ({ advice }) => (advice && advice.surprises.length > 0 ? "question" : ""),
  },
  {
    name: "Ahead",
    key: "d",
    screens: [
      { name: "Heats", path: "day" },
      { name: "Route", path: "route" },
      { name: "Pack", path: "pack" },
      { name: "Season", path: "season" },
      { name: "Places", path: "places" },
      { name: "Chart", path: "chart" },
    ],
    state: heatState,
  },
  {
    name: "Log",
    key: "o",
    screens: [
      { name: "Log", path: "log" },
      { name: "Days like today", path: "days" },
      { name: "Two days", path: "compare" },
      { name: "Find", path: "find" },
    ],
    within: alone("As it was then", "then"),
    state: ({ present }) => `${present.lines.length}`,
    inPractice: "too",
  },
  {
    name: "Rig",
    key: "r",
    screens: [
      { name: "Described", path: "build", title: "Rig" },
      { name: "To measure", path: "measure" },
      { name: "Box", path: "box", title: "Jet box" },
      { name: "Parts", path: "parts" },
      { name: "Base", path: "base", title: "Base sheet" },
      { name: "Teardown", path: "teardown" },
      { name: "Ways", path: "schools", title: "Ways of working" },
      { name: "Another", path: "like", title: "Another like it" },
    ],
    state: ({ build }) => (build.assumed ? `${build.assumed.length} assumed` : ""),
  },
];

export const placeHref = (rigId: string, path: string): string =>
  `/rigs/${rigId}${path === "" ? "" : `/${path}`}`;

/** @returns the bench of parts with one of them looked at */
export const partHref = (rigId: string, name: string): string =>
  `${placeHref(rigId, "parts")}?${new URLSearchParams({ part: name }).toString()}`;

/** Strip and card are read on Today, and on Air while it is typed; elsewhere the work gets the room. */
export const isReadFrom = (rigId: string, pathname: string): boolean =>
  ["", "/air"].some((path) => pathname.replace(/\/$/, "") === `/rigs/${rigId}${path}`);

/** @returns the path of a screen of this rig, without what is chosen on it; undefined outside the rig */
function pathIn(rigId: string, pathname: string): string | undefined {
  const [, rigs, id, ...rest] = pathname.split("/");
  return rigs === "rigs" && id !== undefined && decodeURIComponent(id) === rigId
    ? rest.filter((part) => part !== "").join("/")
    : undefined;
}

const plain = ({ path }: Screen): string => path.split("?")[0] ?? "";

/** @returns whether a screen is the one at an address */
export const isScreenAt = (screen: Screen, rigId: string, pathname: string): boolean =>
  plain(screen) === pathIn(rigId, pathname);

/** @returns the place that a screen belongs to */
export function placeAt(rigId: string, pathname: string): Place | undefined {
  const path = pathIn(rigId, pathname);
  if (path === undefined) return undefined;
  return PLACES.find(({ screens, within = [] }) =>
    [...screens, ...within].some(
      (screen) => plain(screen) === path || (plain(screen) !== "" && path.startsWith(`${plain(screen)}/`)),
    ),
  );
}

/** @returns the page of the handbook for the screen at an address */
export function helpAt(rigId: string, pathname: string): string | undefined {
  const place = placeAt(rigId, pathname);
  return place && pageOfScreen(place.name, pathIn(rigId, pathname) ?? "");
}

/** Within these places screens that describe another machine, or say what is covered, stay closed. */
const CLOSED_IN_PRACTICE = new Set([
  "swap",
  "work",
  "cylinders",
  "days",
  "compare",
  "find",
  "then",
  "logger",
]);

/** @returns whether a practice rig has that screen; its index leads on */
export function isOpenInPractice(rigId: string, pathname: string): boolean {
  const path = pathIn(rigId, pathname);
  const place = placeAt(rigId, pathname);
  if (path === undefined || path === "") return true;
  return place?.inPractice !== undefined && !CLOSED_IN_PRACTICE.has(path);
}

/** Of each rig and place, the screen that was open last in this visit. */
const lastOpen = new Map<string, string>();

/** Remembers the tab that is open, until the page is loaded anew. */
export function rememberScreen(rigId: string, pathname: string): void {
  const place = placeAt(rigId, pathname);
  const screen = place?.screens.find((one) => isScreenAt(one, rigId, pathname));
  if (place && screen) lastOpen.set(`${rigId} ${place.name}`, plain(screen));
}

/** The screen that a place opens on. */
function firstScreen({ screens }: Place, rigId: string): Screen {
  const open = isPractice(rigId)
    ? screens.find((one) => isOpenInPractice(rigId, placeHref(rigId, plain(one))))
    : undefined;
  return open ?? screens[0];
}

/** @returns where a place leads: to the tab that was open there last, and from within it to its first one */
export const placeLink = (place: Place, rigId: string, pathname?: string): string =>
  placeHref(
    rigId,
    (pathname !== undefined && placeAt(rigId, pathname) === place
      ? undefined
      : lastOpen.get(`${rigId} ${place.name}`)) ?? plain(firstScreen(place, rigId)),
  );

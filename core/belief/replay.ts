/**
 * Replays a log: all looks of a day on one build are taken together, whatever order they were entered in;
 * the belief after one day, with its drift, is the start of the next. The first build's claim that its baseline is
 * right comes first; every later claim counts on its own day, in its own air. The days that a log had before are kept, so that one more entry costs one day.
 */
import { dayOf, type InstrumentMessage } from "../log/schema.ts";
import type { Present } from "../log/present.ts";
import { instrumentKey, type Instrument } from "../looks/instruments.ts";
import { instrumentOf } from "../looks/registry.ts";
import { runGroups, type RunGroup } from "../looks/run-groups.ts";
import { claimEvidence, claimsOf, type Claim } from "./claims.ts";
import { runEvidence } from "./run-evidence.ts";
import type { Evidence } from "./evidence.ts";
import type { Frame } from "./frame.ts";
import { heatSlopes, slopeFor, type LearntHeat } from "./heat-slopes.ts";
import { layoutOf, priorOf, type Layout } from "./layout.ts";
import { evidenceMaker, type Look } from "./look-evidence.ts";
import { framesOf, mixtures, type Mixtures } from "./look-mixtures.ts";
import { overtaken } from "./newest-words.ts";
import { drift, reopen } from "./passing-time.ts";
import { NO_SITE, type Site } from "./site.ts";
import { alongOneMore, daysToAir, firstUnknowns, staleAirSd, withUnknown } from "./stale-air.ts";
import type { Belief } from "./unknowns.ts";
import { update, type LookOutcome } from "./update.ts";

/** What was taken together, and what came of it: a hypothesis is asked of this without taking it all anew. */
export interface ReplayedSession {
  /** so many unknowns are the rig's; what follows only that day did not know */
  readonly known: number;
  /** of the long belief, and of what only this day did not know */
  readonly before: Belief;
  /** after it, of the long belief, and of what only this day did not know */
  readonly after: Belief;
  readonly matched: readonly MatchedEvidence[];
  /** ln of the chance of all of it, up to what belongs to the looks alone */
  readonly lnEvidence: () => number;
}

export interface MatchedEvidence {
  readonly item: Evidence;
  readonly site: Site;
  /** none: what the clock told, or a setting that was said to be right */
  readonly look: Look | undefined;
  readonly timed?: true;
  /** none: the first build's claim */
  readonly at: string | undefined;
}

export interface Replayed {
  /** the first build's claim first */
  readonly sessions: readonly ReplayedSession[];
  readonly layout: Layout;
  /** of all cylinders one after the other, then of the instruments */
  readonly joint: Belief;
  /** that a setting was right, as the log has it: the first build's, then in order */
  readonly claims: readonly Claim[];
  /** what all claims alone come to, without any look */
  readonly claimedAlone: () => Belief;
  /** looks; claims are not among them */
  readonly evidence: readonly Evidence[];
  readonly outcomes: readonly LookOutcome[];
  readonly converged: boolean;
  /** what temperatures are worth on this engine, where its log has taught it */
  readonly heat: readonly LearntHeat[];
  /** one a carburettor */
  readonly frames: readonly Frame[];
  /** what any setting did on any build of the log, in any of its airs */
  readonly mixtureOf: Mixtures;
}

export interface ReplayOptions {
  /** until when old looks fade; the newest entry unless given */
  readonly now?: string | undefined;
  /** what other rigs say of the instruments */
  readonly messages?: readonly InstrumentMessage[];
  /** days replayed before: one more look then costs one day */
  readonly memory?: ReplayMemory;
}

interface DoneSession extends ReplayedSession {
  readonly key: string;
  readonly belief: Belief;
  readonly evidence: readonly Evidence[];
  readonly outcomes: readonly LookOutcome[];
  readonly converged: boolean;
}

/** Kept by whoever asks again and again; it belongs to one rig. */
export interface ReplayMemory {
  /** names all that every day depends on */
  key: string;
  done: DoneSession[];
}

export const freshMemory = (): ReplayMemory => ({ key: "", done: [] });

const DAY_MS = 86_400_000;

type Item = { readonly at: string; readonly build: number; readonly reopenings: number } & (
  | { readonly look: Look; readonly claim?: undefined; readonly runs?: undefined }
  | { readonly claim: Claim; readonly look?: undefined; readonly runs?: undefined }
  | { readonly runs: RunGroup; readonly look?: undefined; readonly claim?: undefined }
);

/** What was seen on one day on one build, with no work between that brings doubts back. */
interface Session {
  readonly day: string;
  readonly build: number;
  readonly reopenings: number;
  readonly items: Item[];
}

function sessionsOf(items: readonly Item[]): Session[] {
  const found: Session[] = [];
  for (const item of items) {
    const day = dayOf(item.at);
    const last = found.at(-1);
    const { build, reopenings } = item;
    if (last?.day === day && last.build === build && last.reopenings === reopenings) last.items.push(item);
    else found.push({ day, build, reopenings, items: [item] });
  }
  return found;
}

/** Looks, timed runs and later claims, in the order in which they came. */
function allItems({ runs, looks }: Present, claims: readonly Claim[]): Item[] {
  const items: Item[] = [
    ...runGroups(runs, looks).map((group) => ({
      at: group.at,
      build: group.build,
      reopenings: group.reopenings,
      runs: group,
    })),
    ...looks.map((look) => ({ at: look.entry.at, build: look.build, reopenings: look.reopenings, look })),
    ...claims.map((claim) => ({
      at: claim.at,
      build: claim.build,
      reopenings: claim.reopenings,
      claim,
    })),
  ];
  const timed = items.map((item) => ({ item, instant: Date.parse(item.at) }));
  return timed.sort((a, b) => a.instant - b.instant).map(({ item }) => item);
}

function instrumentsOf({ looks }: Present): Instrument[] {
  const found = new Map<string, Instrument>();
  for (const { entry } of looks) {
    const instrument = instrumentOf(entry.reading);
    if (instrument) found.set(instrumentKey(instrument), instrument);
  }
  return [...found.values()].sort((a, b) => instrumentKey(a).localeCompare(instrumentKey(b)));
}

const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / DAY_MS;

/**
 * @returns what is believed now of every cylinder of the newest build
 * @throws {RangeError} if the log has no build, or holds one that cannot be
 */
export function replay(present: Present, options: ReplayOptions = {}): Replayed {
  const { knownBuilds, reopenings } = present;
  const newest = present.build;
  const [first] = present.builds;
  if (!newest || !first) throw new RangeError("log must hold a build, got none");
  const { messages = [], memory = freshMemory(), now = present.newest ?? first.at } = options;
  const layout = layoutOf(newest.engine.cylinders, instrumentsOf(present));
  const frames = framesOf(knownBuilds);
  const mixtureOf = mixtures(knownBuilds, frames);
  const learnt = heatSlopes(present, mixtureOf);
  const evidenceOf = evidenceMaker(present, layout, mixtureOf, learnt);
  const key = JSON.stringify([layout, knownBuilds, present.schools.screw, messages, reopenings]);
  if (memory.key !== key) [memory.key, memory.done] = [key, []];
  const claims = claimsOf(present);
  const evidenceOfClaim = (claim: Claim) => claimEvidence(claim, knownBuilds, frames, layout);
  const right = claims.slice(0, 1).flatMap(evidenceOfClaim);
  const prior = priorOf(layout, messages);
  const start = update(prior, right);
  let belief: Belief = { mean: start.mean, covariance: start.covariance };
  let before = { day: dayOf(first.at), reopenings: 0 };
  const done: DoneSession[] = [];
  for (const session of sessionsOf(allItems(present, claims.slice(1)))) {
    const name = sessionKey(session, present, learnt);
    const known = memory.done[done.length];
    const finished = known?.key === name ? known : workOut(name, session);
    memory.done[done.length] = finished;
    if (finished !== known) memory.done.length = done.length + 1;
    done.push(finished);
    ({ belief } = finished);
    before = session;
  }
  memory.done.length = done.length;
  belief = reopen(belief, layout, reopenings.slice(before.reopenings).flat());
  belief = drift(belief, layout, daysBetween(before.day, dayOf(now)));
  return {
    sessions: [
      {
        known: layout.size,
        before: prior,
        after: start,
        lnEvidence: start.lnEvidence,
        matched: right.map((item, i) => ({
          item,
          site: start.sites[i] ?? NO_SITE,
          look: undefined,
          at: undefined,
        })),
      },
      ...done,
    ],
    mixtureOf,
    layout,
    joint: belief,
    claims,
    claimedAlone: () => update(prior, claims.flatMap(evidenceOfClaim)),
    evidence: done.flatMap(({ evidence }) => evidence),
    outcomes: done.flatMap(({ outcomes }) => outcomes),
    converged: done.every(({ converged }) => converged),
    heat: [...learnt.values()],
    frames,
  };

  function workOut(name: string, session: Session): DoneSession {
    const drifted = drift(belief, layout, daysBetween(before.day, session.day));
    const from = reopen(drifted, layout, reopenings.slice(before.reopenings, session.reopenings).flat());
    const bare = { site: NO_SITE, look: undefined, at: undefined };
    const told = session.items.flatMap(({ look, at }) =>
      look ? evidenceOf(look).map((item): MatchedEvidence => ({ ...bare, item, look, at })) : [],
    );
    const old = overtaken(told);
    const seen = told.filter((one) => !old.has(one));
    const timed = session.items.flatMap(({ runs, at }) =>
      runs
        ? runEvidence(runs, present, layout, mixtureOf).map((item): MatchedEvidence => ({
            ...bare,
            item,
            at,
            timed: true,
          }))
        : [],
    );
    const claimed = session.items.flatMap(({ claim, at }) =>
      claim ? evidenceOfClaim(claim).map((item): MatchedEvidence => ({ ...bare, item, at })) : [],
    );
    const days = daysToAir(session.items.flatMap(({ look }) => look ?? []));
    const far = new Set(
      session.items.flatMap(({ look }) => (look?.airDaysOff === undefined ? [] : [look.entry.id])),
    );
    const items = [...seen, ...timed, ...claimed].map((one): MatchedEvidence => {
      if (days === undefined) return one;
      return { ...one, item: alongOneMore(one.item, far.has(one.item.lookId)) };
    });
    const started = days === undefined ? from : withUnknown(from, staleAirSd(days));
    const { mean, covariance, converged, outcomes, sites, lnEvidence } = update(
      started,
      items.map(({ item }) => item),
    );
    const after = { mean, covariance };
    return {
      key: name,
      known: layout.size,
      before: started,
      after,
      lnEvidence,
      matched: items.map((one, i) => ({ ...one, site: sites[i] ?? NO_SITE })),
      belief: firstUnknowns(after, layout.size),
      evidence: [...seen, ...timed].flatMap(({ item }) => (item.silent ? [] : [item])),
      outcomes: outcomes.slice(0, seen.length + timed.length),
      converged,
    };
  }
}

/** What was seen is never changed, and a log that grows keeps what it had: it is put into words once. */
const namesOfSeen = new WeakMap<object, string>();

function nameOfSeen(seen: Look): string {
  const known = namesOfSeen.get(seen);
  if (known !== undefined) return known;
  const { entry, settings, air, airDaysOff, before } = seen;
  // The whole entry: what is only tried out (another tone, another walk of the bench) shares one id.
  const name = JSON.stringify([entry, settings, air?.id, airDaysOff, before]);
  namesOfSeen.set(seen, name);
  return name;
}

/** Names all that a day's outcome depends on, besides the days before it. */
function sessionKey(
  session: Session,
  { knownBuilds }: Present,
  learnt: ReadonlyMap<string, LearntHeat>,
): string {
  const build = knownBuilds[session.build];
  const parts = session.items.map(({ look, claim, runs }) => {
    if (runs)
      return runs.runs.map(({ entry, settings, air, airDaysOff }) => [entry, settings, air?.id, airDaysOff]);
    return look ? [nameOfSeen(look), build && slopeFor(learnt, look, build)] : claim;
  });
  return JSON.stringify([session.day, session.build, session.reopenings, parts]);
}

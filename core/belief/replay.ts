/**
 * Replays a log. All observations of one day on one build are one EP batch, independent of the order of entry; the
 * posterior of a day, with process noise added, is the prior of the next. The first baseline’s claim comes first; a later
 * claim counts on its own day in its own air. A claim may be wrong: the log is also replayed without it, and the two
 * posteriors are mixed by their evidence. Earlier days are cached, so one more entry costs one day.
 */
import { dayOf, type InstrumentMessage } from "../log/schema.ts";
import type { Present } from "../log/present.ts";
import { instrumentKey, type Instrument } from "../looks/instruments.ts";
import { instrumentOf } from "../looks/registry.ts";
import { runGroups, type RunGroup } from "../looks/run-groups.ts";
import {
  claimHypotheses,
  claimEvidence,
  claimsOf,
  weighCases,
  type Claim,
  type WeighedClaim,
} from "./claims.ts";
import { runEvidence } from "./run-evidence.ts";
import type { Evidence } from "./evidence.ts";
import type { Frame } from "./frame.ts";
import { heatSlopes, slopeFor, type LearntHeat } from "./heat-slopes.ts";
import { layoutOf, priorOf, type Layout } from "./layout.ts";
import { evidenceMaker, type Look } from "./look-evidence.ts";
import { framesOf, mixtures, type Mixtures } from "./look-mixtures.ts";
import { superseded } from "./newest-words.ts";
import { AS_USUAL, estimateScatter, withScatter, suspects, type Scatter } from "./scatter.ts";
import { drift, reopen } from "./passing-time.ts";
import { NO_SITE, type Site } from "./site.ts";
import { paddedEvidence, daysToAir, firstUnknowns, staleAirSd, withUnknown } from "./stale-air.ts";
import type { Belief } from "./unknowns.ts";
import { update, type LookOutcome } from "./update.ts";

/** One EP batch with its prior, posterior, sites and log evidence, kept so that fault hypotheses can be tested on it. */
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

/** The log as one way of its claims has it. */
export interface ReplayedCase {
  /** that its claims are so, if nothing but jetting is wrong */
  readonly share: number;
  /** the first build's claim first */
  readonly sessions: readonly ReplayedSession[];
  readonly outcomes: readonly LookOutcome[];
}

export interface Replayed {
  /** of the surest case */
  readonly sessions: readonly ReplayedSession[];
  /** all claims right, or one of them wrong */
  readonly cases: readonly ReplayedCase[];
  readonly layout: Layout;
  /** of all cylinders one after the other, then of the instruments */
  readonly joint: Belief;
  /** that a setting was right, as the log has it: the first build's, then in order; how likely each holds */
  readonly claims: readonly WeighedClaim[];
  /** what all claims alone come to, without any look */
  readonly claimedAlone: () => Belief;
  /** looks; claims are not among them */
  readonly evidence: readonly Evidence[];
  readonly outcomes: readonly LookOutcome[];
  readonly converged: boolean;
  /** instruments whose looks scatter more than usual, and how many times as much */
  readonly scatter: Scatter;
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
  /** the days, by the claim that is thought to be wrong and by how instruments scatter */
  readonly done: Map<string, DoneSession[]>;
}

export const freshMemory = (): ReplayMemory => ({ key: "", done: new Map() });

/** @returns the same days, for a question about another log: what it works out is not kept in the first */
export const memoryLike = ({ key, done }: ReplayMemory): ReplayMemory => ({
  key,
  done: new Map([...done].map(([wrong, days]) => [wrong, [...days]])),
});

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

/** With a name for all that its outcome depends on, besides the days before it. */
interface NamedSession extends Session {
  readonly name: string;
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

/** All of a log that does not depend on which claims hold. */
interface OpenLog {
  readonly present: Present;
  readonly layout: Layout;
  readonly prior: Belief;
  readonly frames: readonly Frame[];
  readonly mixtureOf: Mixtures;
  readonly learnt: ReadonlyMap<string, LearntHeat>;
  readonly evidenceOf: (look: Look) => readonly Evidence[];
  /** worked out once, whatever is thought of claims and instruments */
  readonly observedIn: (session: Session) => readonly MatchedEvidence[];
  readonly evidenceOfClaim: (claim: Claim) => Evidence[];
  readonly claims: readonly Claim[];
  /** when the first build was described */
  readonly begun: string;
}

function openLog(present: Present, messages: readonly InstrumentMessage[]): OpenLog {
  const { knownBuilds } = present;
  const newest = present.build;
  const [first] = present.builds;
  if (!newest || !first) throw new RangeError("log must hold a build, got none");
  const layout = layoutOf(newest.engine.cylinders, instrumentsOf(present));
  const frames = framesOf(knownBuilds);
  const mixtureOf = mixtures(knownBuilds, frames);
  const learnt = heatSlopes(present, mixtureOf);
  const observed = new Map<Session, readonly MatchedEvidence[]>();
  const log: Omit<OpenLog, "observedIn"> = {
    present,
    layout,
    prior: priorOf(layout, messages, newest.airAnswer),
    frames,
    mixtureOf,
    learnt,
    evidenceOf: evidenceMaker(present, layout, mixtureOf, learnt),
    evidenceOfClaim: (claim) => claimEvidence(claim, knownBuilds, frames, layout),
    claims: claimsOf(present),
    begun: first.at,
  };
  return {
    ...log,
    observedIn: (session) => {
      const known = observed.get(session) ?? observedIn(session, log);
      observed.set(session, known);
      return known;
    },
  };
}

const bare = { site: NO_SITE, look: undefined, at: undefined };

/** @returns all that a day says, its claims aside */
function observedIn({ items }: Session, log: Omit<OpenLog, "observedIn">): MatchedEvidence[] {
  const { present, layout, mixtureOf, evidenceOf } = log;
  const seen = items.flatMap(({ look, at }) =>
    look ? evidenceOf(look).map((item): MatchedEvidence => ({ ...bare, item, look, at })) : [],
  );
  const timed = items.flatMap(({ runs, at }) =>
    runs
      ? runEvidence(runs, present, layout, mixtureOf).map((item): MatchedEvidence => ({
          ...bare,
          item,
          at,
          timed: true,
        }))
      : [],
  );
  const old = superseded(seen);
  return [...seen.filter((one) => !old.has(one)), ...timed];
}

/** A case of the claims, and how instruments scatter in it. */
interface ReplayedUnder {
  readonly wrong: string | undefined;
  readonly scatter: Scatter;
}

function workOut(
  key: string,
  session: Session,
  from: Belief,
  log: OpenLog,
  { wrong, scatter }: ReplayedUnder,
): DoneSession {
  const told = log
    .observedIn(session)
    .map((one) => (one.look ? { ...one, item: withScatter(one.look, one.item, scatter) } : one));
  const claimed = session.items.flatMap(({ claim, at }) =>
    claim && claim.id !== wrong
      ? log.evidenceOfClaim(claim).map((item): MatchedEvidence => ({ ...bare, item, at }))
      : [],
  );
  const days = daysToAir(session.items.flatMap(({ look }) => look ?? []));
  const far = new Set(
    session.items.flatMap(({ look }) => (look?.airDaysOff === undefined ? [] : [look.entry.id])),
  );
  const items = [...told, ...claimed].map((one): MatchedEvidence => {
    if (days === undefined) return one;
    return { ...one, item: paddedEvidence(one.item, far.has(one.item.lookId)) };
  });
  const before = days === undefined ? from : withUnknown(from, staleAirSd(days));
  const { mean, covariance, converged, outcomes, sites, lnEvidence } = update(
    before,
    items.map(({ item }) => item),
  );
  const after = { mean, covariance };
  return {
    key,
    known: log.layout.size,
    before,
    after,
    lnEvidence: once(lnEvidence),
    matched: items.map((one, i) => ({ ...one, site: sites[i] ?? NO_SITE })),
    belief: firstUnknowns(after, log.layout.size),
    evidence: told.flatMap(({ item }) => (item.silent ? [] : [item])),
    outcomes: outcomes.slice(0, told.length),
    converged,
  };
}

function once<T>(work: () => T): () => T {
  let done: { readonly value: T } | undefined;
  return () => (done ??= { value: work() }).value;
}

interface DoneCase {
  readonly first: ReplayedSession;
  readonly done: readonly DoneSession[];
  readonly belief: Belief;
}

function replayCase(
  log: OpenLog,
  sessions: readonly NamedSession[],
  under: ReplayedUnder,
  now: string,
  memory: ReplayMemory,
): DoneCase {
  const { present, layout, prior } = log;
  const { wrong, scatter } = under;
  const memoryKey = JSON.stringify([wrong, ...scatter]);
  const right = log.claims
    .slice(0, 1)
    .flatMap((claim) => (claim.id === wrong ? [] : log.evidenceOfClaim(claim)));
  const start = update(prior, right);
  let belief: Belief = { mean: start.mean, covariance: start.covariance };
  let before = { day: dayOf(log.begun), reopenings: 0 };
  const kept = memory.done.get(memoryKey) ?? [];
  const done = sessions.map((session, i): DoneSession => {
    const { name } = session;
    const known = kept[i];
    const drifted = () => drift(belief, layout, daysBetween(before.day, session.day));
    const from = () =>
      reopen(drifted(), layout, present.reopenings.slice(before.reopenings, session.reopenings).flat());
    const finished = known?.key === name ? known : workOut(name, session, from(), log, under);
    // What follows a day that is worked out anew begins from another belief.
    if (finished !== known) kept.length = i;
    kept[i] = finished;
    ({ belief } = finished);
    before = session;
    return finished;
  });
  kept.length = sessions.length;
  memory.done.set(memoryKey, kept);
  belief = reopen(belief, layout, present.reopenings.slice(before.reopenings).flat());
  belief = drift(belief, layout, daysBetween(before.day, dayOf(now)));
  return {
    first: {
      known: layout.size,
      before: prior,
      after: start,
      lnEvidence: once(start.lnEvidence),
      matched: right.map((item, i) => ({ ...bare, item, site: start.sites[i] ?? NO_SITE })),
    },
    done,
    belief,
  };
}

const lnEvidenceOf = ({ first, done }: DoneCase): number =>
  done.reduce((sum, one) => sum + one.lnEvidence(), first.lnEvidence());

const lookedAt = ({ matched, outcomes }: DoneSession) =>
  matched.slice(0, outcomes.length).map(({ look, item }, i) => ({ look, item, outcome: outcomes[i] }));

/**
 * @returns what is believed now of every cylinder of the newest build
 * @throws {RangeError} if the log has no build, or holds one that cannot be
 */
export function replay(present: Present, options: ReplayOptions = {}): Replayed {
  const { messages = [], memory = freshMemory() } = options;
  const log = openLog(present, messages);
  const { layout, claims, prior, frames, mixtureOf, learnt } = log;
  const now = options.now ?? present.newest ?? log.begun;
  const key = JSON.stringify([
    layout,
    present.knownBuilds,
    present.schools.screw,
    messages,
    present.reopenings,
  ]);
  if (memory.key !== key) {
    memory.key = key;
    memory.done.clear();
  }
  const sessions = sessionsOf(allItems(present, claims.slice(1))).map((session) => ({
    ...session,
    name: sessionKey(session, present, learnt),
  }));
  // Wrong, a claim is one of a setting drawn at random: what it then comes to is what it would to a guess.
  const byChance = (claim: Claim) => update(prior, log.evidenceOfClaim(claim)).lnEvidence();
  const under = (scatter: Scatter) => {
    const cases = claimHypotheses(claims).map((one) => ({
      ...one,
      ...replayCase(log, sessions, { wrong: one.wrong, scatter }, now, memory),
    }));
    const weighed = weighCases(
      claims,
      cases.map((one) => {
        const drawn = claims.find(({ id }) => id === one.wrong);
        const lnWeight = Math.log(one.prior) + lnEvidenceOf(one) + (drawn ? byChance(drawn) : 0);
        return { wrong: one.wrong, belief: one.belief, lnWeight };
      }),
    );
    const surest = cases[weighed.surest];
    if (!surest) throw new RangeError("a log must be replayed in one way at least, got none");
    return { cases, weighed, surest };
  };
  const usual = under(AS_USUAL);
  const scatter = estimateScatter(suspects(usual.surest.done.flatMap(lookedAt)), (tried) =>
    lnEvidenceOf(replayCase(log, sessions, { wrong: usual.surest.wrong, scatter: tried }, now, memory)),
  );
  const { cases, weighed, surest } = scatter.size === 0 ? usual : under(scatter);
  const { first, done } = surest;
  return {
    sessions: [first, ...done],
    cases: cases.map((one, i) => ({
      share: weighed.shares[i] ?? 0,
      sessions: [one.first, ...one.done],
      outcomes: one.done.flatMap(({ outcomes }) => outcomes),
    })),
    mixtureOf,
    layout,
    joint: weighed.belief,
    claims: weighed.claims,
    claimedAlone: () => replay({ ...present, looks: [], runs: [] }, { messages, now }).joint,
    evidence: done.flatMap(({ evidence }) => evidence),
    outcomes: done.flatMap(({ outcomes }) => outcomes),
    converged: done.every(({ converged }) => converged),
    scatter,
    heat: [...learnt.values()],
    frames,
  };
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

/** Practice games away from the screen: the engine is drawn, the game replayed, the other players play on it. */
import type { PerZone } from "#core/carburettor/zones.ts";
import { adviseOn, type Advice } from "#core/advice/card/advise.ts";
import { openCase } from "#core/advice/judge/case.ts";
import type { FaultName } from "#core/log/fault-names.ts";
import type { Build, Entry, Setting } from "#core/log/schema.ts";
import { debriefOf, type Debrief } from "#core/practice/debrief.ts";
import { replay, type Game, type Refusal, type Shown } from "#core/practice/game.ts";
import { gameText } from "#core/practice/link.ts";
import type { Hold, PracticeAsked } from "#core/practice/levels.ts";
import { drawScenario, startOf, type Scenario } from "#core/practice/scenario.ts";
import { playedBy, PLAYERS, savedShare, scoreOf, type Played, type Player } from "#core/practice/score.ts";
import { SCREW_STEP } from "#core/practice/screw-step.ts";
import { timelineOf, type Done, type Step } from "#core/practice/timeline.ts";
import { carburettorCount } from "#core/rig/carburettors.ts";
import type { AirState } from "#core/air/humid-air.ts";
import type { LinkedCarburettors } from "#core/simulator/linked-carburettors.ts";

/** All that is kept of a game: what was logged, and what was done beside it. */
export interface GameRecord {
  readonly asked: PracticeAsked;
  readonly entries: readonly Entry[];
  readonly done: readonly Done[];
}

/** A game as the screens show it; the truth in it is for the stand-ins of the instruments alone. */
export interface GameView {
  readonly asked: PracticeAsked;
  readonly holds: readonly Hold[];
  readonly minutes: number;
  readonly minutesLeft: number;
  readonly over: boolean;
  readonly hurt: boolean;
  /** the last ride, check or mending, and what was looked at since */
  readonly shown: readonly Shown[];
  /** a fault that was found and is still in the engine */
  readonly found: FaultName | undefined;
  readonly errors: PerZone<number>;
  /** mixture error at idle over turns of the screw, in steps of an eighth from seated */
  readonly idleOver: readonly number[];
  readonly linked: LinkedCarburettors | undefined;
  /** whether there may be something wrong that no jet cures */
  readonly checks: boolean;
}

const SCREW_STEPS = Array.from({ length: 81 }, (_, i) => SCREW_STEP * i);

/** An engine takes a quarter of a second to draw: once a game. */
const drawn = new Map<string, Scenario>();
function scenarioOf(asked: PracticeAsked): Scenario {
  const name = gameText(asked);
  const known = drawn.get(name) ?? drawScenario(asked);
  drawn.set(name, known);
  return known;
}

const begunOf = (scenario: Scenario): Setting[] =>
  Array.from({ length: carburettorCount(scenario.build) }, () => startOf(scenario));
const stepsOf = (scenario: Scenario, { entries, done }: GameRecord): Step[] =>
  timelineOf(begunOf(scenario), entries, done);

/** What is on the bench: a ride, a check and a mending begin it anew, looks come beside it. */
function shownAfter(before: readonly Shown[], now: Shown): readonly Shown[] {
  if (now.kind === "ride" || now.kind === "inspected" || now.kind === "mended") return [now];
  if (now.kind !== "plug" && now.kind !== "crown" && now.kind !== "header") return before;
  const same = (one: Shown) =>
    one.kind === now.kind && (one.kind !== "plug" || now.kind !== "plug" || one.cylinder === now.cylinder);
  return [...before.filter((one) => !same(one)), now];
}

function played(scenario: Scenario, record: GameRecord): { game: Game; shown: readonly Shown[] } {
  const game = replay(scenario, []);
  let shown: readonly Shown[] = [];
  for (const { action } of stepsOf(scenario, record)) shown = shownAfter(shown, game.act(action));
  return { game, shown };
}

function viewOf({ asked }: GameRecord, game: Game, shown: readonly Shown[]): GameView {
  const { minutes, minutesLeft, over, hurt, errors, scenario } = game;
  const last = shown[0];
  return {
    asked,
    holds: scenario.holds,
    minutes,
    minutesLeft,
    over,
    hurt,
    shown,
    found: last?.kind === "inspected" ? last.found : undefined,
    errors,
    idleOver: game.idleOver(SCREW_STEPS),
    linked: scenario.linked,
    checks: scenario.withFault !== undefined,
  };
}

/** @returns what the learner knows of the machine and of the air */
export function begin(asked: PracticeAsked): { readonly build: Build; readonly air: AirState } {
  const { build, air } = scenarioOf(asked);
  return { build, air };
}

export function view(record: GameRecord): GameView {
  const { game, shown } = played(scenarioOf(record.asked), record);
  return viewOf(record, game, shown);
}

/** @returns why the newest of what was logged or done cannot be, or the game after it */
export function after(record: GameRecord): { readonly view: GameView } | { readonly refused: Refusal } {
  const scenario = scenarioOf(record.asked);
  const game = replay(scenario, []);
  let shown: readonly Shown[] = [];
  for (const { action } of stepsOf(scenario, record)) {
    const now = game.act(action);
    if (now.kind === "refused") return { refused: now.why };
    shown = shownAfter(shown, now);
  }
  return { view: viewOf(record, game, shown) };
}

const others = new Map<string, Readonly<Record<Player, Played>>>();
/** The other players on the same engine: some seconds of work, begun while the game goes on. */
function othersOn(scenario: Scenario): Readonly<Record<Player, Played>> {
  const name = gameText(scenario);
  const known =
    others.get(name) ??
    (Object.fromEntries(PLAYERS.map((player) => [player, playedBy(scenario, player)])) as Record<
      Player,
      Played
    >);
  others.set(name, known);
  return known;
}

const advised = new Map<string, Advice>();
/** What the card would have said of so much of the log. */
function adviceOn(record: GameRecord, count: number): Advice {
  const entries = record.entries.slice(0, count);
  const key = `${gameText(record.asked)} ${entries.map(({ id }) => id).join(" ")}`;
  const known = advised.get(key) ?? adviseOn(openCase(entries));
  advised.set(key, known);
  return known;
}

export interface PlayerScore {
  readonly score: number;
  readonly saved: number;
  readonly minutes: number;
  readonly hurt: boolean;
  readonly errors: PerZone<number>;
}

export interface Debriefed {
  readonly debrief: Debrief;
  /** of each stop, on that log at that moment: nothing where there was nothing to advise */
  readonly advice: readonly Advice[];
  readonly learner: PlayerScore;
  readonly others: Readonly<Record<Player, PlayerScore>>;
  /** what was wrong that no jet cures, and whether it was mended */
  readonly fault: FaultName | undefined;
  readonly mended: boolean;
}

/** Works out what the debrief will need of a game that goes on. */
export function prepare(record: GameRecord): void {
  const scenario = scenarioOf(record.asked);
  othersOn(scenario);
  for (const { entries } of debriefOf(scenario, record.entries, record.done).stops) adviceOn(record, entries);
}

export function debriefed(record: GameRecord): Debriefed {
  const scenario = scenarioOf(record.asked);
  const { game } = played(scenario, record);
  const debrief = debriefOf(scenario, record.entries, record.done);
  const all = othersOn(scenario);
  const { minutes: tamisMinutes } = all.tamis;
  const scored = (one: Played): PlayerScore => ({
    score: scoreOf(scenario, one, tamisMinutes),
    saved: savedShare(scenario, one),
    minutes: one.minutes,
    hurt: one.hurt,
    errors: one.errors,
  });
  const { errors, minutes, hurt, shown, fault, mended } = game;
  return {
    debrief,
    advice: debrief.stops.map(({ entries }) => adviceOn(record, entries)),
    learner: scored({ errors, minutes, hurt, shown, faultLeft: fault !== undefined }),
    others: {
      tamis: scored(all.tamis),
      bottomUp: scored(all.bottomUp),
      topFirst: scored(all.topFirst),
    },
    fault: scenario.withFault?.().fault,
    mended,
  };
}

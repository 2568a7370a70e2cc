/** Practice games in their own database: one record a game, and the best score of each level. */
import * as z from "zod/mini";
import { Entry, type Header } from "#core/log/schema.ts";
import { CheckName } from "#core/log/walk-round-names.ts";
import { gameText, readGame, type LinkRead } from "#core/practice/link.ts";
import { HOLDS, LEVELS, type Level, type PracticeAsked } from "#core/practice/levels.ts";
import { practice } from "#app/workers/practice-client.ts";
import type { GameRecord, GameView } from "#app/workers/practice.ts";
import { LEVEL_WORDS, LINK_WORDS, REFUSAL_WORDS } from "#app/vocabulary/practice.ts";
import { onChangeElsewhere, tellOtherTabsAlone } from "./changes.ts";
import { practiceDatabase } from "./database.ts";
import { drawToken } from "./days.ts";
import { failed, guarded, stored, type Stored } from "./failure.ts";
import { withLock } from "./locks.ts";
import { PRACTICE_PREFIX } from "./practice-rigs.ts";
import type { RigLog } from "./rig-log.ts";

/** What is done on the engine itself; the rest comes with the log. */
export const GameAction = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("ride"), hold: z.enum(HOLDS), cut: z.enum(["clean", "rolled"]) }),
  z.strictObject({ do: z.literal("plug"), cylinder: z.optional(z.int().check(z.gte(1), z.lte(6))) }),
  z.strictObject({ do: z.enum(["crown", "header", "mend", "showMe", "done"]) }),
  z.strictObject({ do: z.literal("inspect"), check: CheckName }),
]);
export type GameAction = z.infer<typeof GameAction>;

/** The game is in the id. */
export const practiceId = (asked: PracticeAsked): string => `${PRACTICE_PREFIX}${gameText(asked)}`;
const gameOfId = (rigId: string): LinkRead => readGame(rigId.slice(PRACTICE_PREFIX.length));

const count = z.int().check(z.gte(0));
const Kept = z.strictObject({
  version: z.literal(1),
  game: z.string(),
  /** drawn at the start: played again it is another log */
  token: z.string(),
  /** when it was begun, milliseconds since 1970 */
  at: z.number(),
  entries: z.array(Entry),
  done: z.array(z.strictObject({ after: count, action: GameAction })),
  /** the engine was hurt, or the gate opened: nothing of it is to be gone on with */
  over: z.optional(z.boolean()),
  /** entries that the log had when the card was last looked at */
  shownAt: z.optional(count),
});
type Kept = z.infer<typeof Kept>;

const keyOf = (rigId: string): string => `game/${rigId}`;
const SCORES = "ladder/best";
/** Games to go on with; the oldest go first. */
const MOST_GAMES = 12;

const LOST = "This game cannot be read on this device. Start it again on the Practice page.";

interface Game {
  readonly asked: PracticeAsked;
  readonly kept: Kept;
}
/** What was read in this tab, until another tab has played on. */
const known = new Map<string, Game>();
const shownAs = new Map<string, OpenGame>();

function forget(rigId: string): void {
  known.delete(rigId);
  shownAs.delete(rigId);
}
onChangeElsewhere(forget);

async function read(rigId: string): Promise<Stored<Game>> {
  const before = known.get(rigId);
  if (before) return stored(before);
  const game = gameOfId(rigId);
  if (!game.ok) return failed("missing", LINK_WORDS[game.why]);
  const raw = await practiceDatabase.getItem(keyOf(rigId));
  if (raw === null)
    return failed("missing", "This game is not on this device. Start it on the Practice page.");
  const parsed = Kept.safeParse(raw);
  if (!parsed.success) return failed("unreadable", LOST);
  const read = { asked: game.asked, kept: parsed.data };
  known.set(rigId, read);
  return stored(read);
}

/** Kept, told to other tabs, and known here without reading it again. */
async function write(rigId: string, asked: PracticeAsked, kept: Kept): Promise<void> {
  await practiceDatabase.setItem(keyOf(rigId), kept);
  forget(rigId);
  known.set(rigId, { asked, kept });
  tellOtherTabsAlone(rigId);
}

const recordOf = (asked: PracticeAsked, { entries, done }: Kept): GameRecord => ({
  asked,
  entries,
  done,
});

const headerOf = (rigId: string, { level }: PracticeAsked): Header => ({
  id: rigId,
  name: LEVEL_WORDS[level].name,
  plate: `P${LEVELS.indexOf(level) + 1}`,
  simulated: true,
});

function logOf(rigId: string, asked: PracticeAsked, { token, entries }: Kept): RigLog {
  return {
    header: headerOf(rigId, asked),
    entries,
    revision: { rigId, token, count: entries.length },
  };
}

/** The same entries are the same log: what was folded of it is known by it. */
const logs = new WeakMap<Kept["entries"], RigLog>();

export const readGameLog = (rigId: string): Promise<Stored<RigLog>> =>
  guarded(async () => {
    const game = await read(rigId);
    if (!game.ok) return game;
    const { asked, kept } = game.value;
    const log = logs.get(kept.entries) ?? logOf(rigId, asked, kept);
    logs.set(kept.entries, log);
    return stored(log);
  });

/** A game as it stands, and whether strip and card are open. */
export interface OpenGame {
  readonly record: GameRecord;
  readonly view: GameView;
  readonly covered: boolean;
}

function openOf(record: GameRecord, { shownAt }: Kept, view: GameView): OpenGame {
  return { record, view, covered: !view.over && shownAt !== record.entries.length };
}

export const readGameNow = (rigId: string): Promise<Stored<OpenGame>> =>
  guarded(async () => {
    const before = shownAs.get(rigId);
    if (before) return stored(before);
    const game = await read(rigId);
    if (!game.ok) return game;
    const { asked, kept } = game.value;
    const record = recordOf(asked, kept);
    const view = await practice.call(async (remote) => await remote.view(record));
    const open = openOf(record, kept, view);
    shownAs.set(rigId, open);
    return stored(open);
  });

/** Writes what comes to a game, unless the engine or the clock refuses it. */
function changed(rigId: string, to: (kept: Kept) => Stored<Kept>): Promise<Stored<OpenGame>> {
  return guarded(() =>
    withLock("practice", async () => {
      const game = await read(rigId);
      if (!game.ok) return game;
      const next = to(game.value.kept);
      if (!next.ok) return next;
      const record = recordOf(game.value.asked, next.value);
      const after = await practice.call(async (remote) => await remote.after(record));
      if ("refused" in after) return failed("refused", REFUSAL_WORDS[after.refused]);
      const kept: Kept = { ...next.value, ...(after.view.over && { over: true }) };
      await write(rigId, game.value.asked, kept);
      const open = openOf(record, kept, after.view);
      shownAs.set(rigId, open);
      return stored(open);
    }),
  );
}

/** For tests: the next question reads the device, as another visit would. */
export function forgetGames(): void {
  known.clear();
  shownAs.clear();
}

/** What was logged on a screen of the rig; its minutes are taken. */
export async function appendToGame(
  rigId: string,
  entries: readonly Entry[],
  refusal: (log: RigLog) => string | undefined,
): Promise<Stored<null>> {
  const saved = await changed(rigId, (kept) => {
    const game = gameOfId(rigId);
    if (!game.ok) return failed("missing", LINK_WORDS[game.why]);
    const refused = refusal(logOf(rigId, game.asked, kept));
    return refused === undefined
      ? stored({ ...kept, entries: [...kept.entries, ...entries] })
      : failed("refused", refused);
  });
  return saved.ok ? stored(null) : saved;
}

/** What is done on the engine itself. */
export const doInGame = (rigId: string, action: GameAction): Promise<Stored<OpenGame>> =>
  changed(rigId, (kept) =>
    stored({
      ...kept,
      done: [...kept.done, { after: kept.entries.length, action: GameAction.parse(action) }],
      ...(action.do === "showMe" && { shownAt: kept.entries.length }),
    }),
  );

/**
 * Begins a game anew; one that was begun goes on unless it is to be played again.
 * @param entries - what is known of the engine and the air
 */
export const beginGame = (
  asked: PracticeAsked,
  entries: readonly Entry[],
  at: number,
  again: boolean,
): Promise<Stored<string>> =>
  guarded(() =>
    withLock("practice", async () => {
      const rigId = practiceId(asked);
      const before = await read(rigId);
      if (before.ok && !again) return stored(rigId);
      const kept: Kept = {
        version: 1,
        game: gameText(asked),
        token: drawToken(),
        at,
        entries: [...entries],
        done: [],
      };
      await write(rigId, asked, Kept.parse(kept));
      for (const { rigId: old } of (await games()).slice(MOST_GAMES)) {
        await practiceDatabase.removeItem(keyOf(old));
        forget(old);
      }
      return stored(rigId);
    }),
  );

interface GameBegun {
  readonly rigId: string;
  readonly asked: PracticeAsked;
  readonly at: number;
  readonly over: boolean;
}

/** @returns games of this version on this device, newest first; those that cannot be read are left out */
async function games(): Promise<GameBegun[]> {
  const keys = (await practiceDatabase.keys()).filter((key) => key.startsWith("game/"));
  const all = await Promise.all(keys.map((key) => practiceDatabase.getItem(key)));
  return all
    .flatMap((raw): GameBegun[] => {
      const kept = Kept.safeParse(raw);
      const game = kept.success ? readGame(kept.data.game) : undefined;
      if (!kept.success || !game?.ok) return [];
      const { at, done } = kept.data;
      const over = kept.data.over === true || done.some(({ action }) => action.do === "done");
      return [{ rigId: practiceId(game.asked), asked: game.asked, at, over }];
    })
    .sort((a, b) => b.at - a.at);
}

const Scores = z.partialRecord(z.enum(LEVELS), z.number().check(z.gte(0), z.lte(100)));
export type Scores = z.infer<typeof Scores>;

async function scores(): Promise<Scores> {
  const parsed = Scores.safeParse((await practiceDatabase.getItem(SCORES)) ?? {});
  return parsed.success ? parsed.data : {};
}

export interface Ladder {
  readonly best: Scores;
  readonly games: readonly GameBegun[];
}

export const readLadder = (): Promise<Stored<Ladder>> =>
  guarded(async () => stored({ best: await scores(), games: await games() }));

/** The best counts. What cannot be kept is played again. */
export const keepScore = (level: Level, score: number): Promise<void> =>
  withLock("practice", async () => {
    const best = await scores();
    if (score > (best[level] ?? -1)) await practiceDatabase.setItem(SCORES, { ...best, [level]: score });
  }).catch(() => undefined);

/** Practice: a ladder of engines that nobody owns, free games, and games that a link asks for. */
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, redirect, useFetcher } from "react-router";
import * as z from "zod/mini";
import type { Route } from "./+types/route";
import { FREE_KINDS, LEVELS, type FreeKind, type Level, type PracticeAsked } from "#core/practice/levels.ts";
import { gameText, readGame } from "#core/practice/link.ts";
import { startGame } from "#app/journal/practice.ts";
import { readSent, refused, type ActionProblem } from "#app/journal/save.ts";
import { readLadder, type Ladder } from "#app/store/practice-log.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { PageHead } from "#app/ui/PageHead.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { FREE_KIND_WORDS, LEARNT_FROM, LEVEL_WORDS, LINK_WORDS } from "#app/vocabulary/practice.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import css from "./practice.module.css";
import { deskHref } from "#app/frame/practice/use-game.ts";

export const meta = () => [{ title: "Practice · Tamis" }];

const Start = z.object({ game: z.string().check(z.maxLength(60)), again: z.boolean() });

export async function clientLoader({ request }: Route.ClientLoaderArgs) {
  const ladder = await readLadder();
  const text = new URL(request.url).searchParams.get("game");
  const link = text === null ? undefined : readGame(text);
  return {
    ladder: ladder.ok ? ladder.value : ({ best: {}, games: [] } satisfies Ladder),
    trouble: ladder.ok ? undefined : ladder.problem.message,
    linked: link?.ok ? link.asked : undefined,
    refusedLink: link && !link.ok ? LINK_WORDS[link.why] : undefined,
  };
}

export async function clientAction({ request }: Route.ClientActionArgs) {
  const read = readSent(Start, await request.json(), "This game");
  if (!read.ok) return read.answer;
  const game = readGame(read.sent.game);
  if (!game.ok) return refused({ message: LINK_WORDS[game.why] });
  try {
    const begun = await startGame(game.asked, read.sent.again);
    return begun.ok ? redirect(deskHref(begun.value)) : refused({ message: begun.problem.message }, 507);
  } catch (error) {
    return refused({ message: `The engine could not be made ready. ${wordsOf(error)}` }, 500);
  }
}

/** Another engine each time. */
const newSeed = (): number => Math.floor(1_000_000 * Math.random());

interface StartProps {
  readonly asked: () => PracticeAsked;
  readonly text: string;
  readonly strong?: boolean;
}

function StartButton({ asked, text, strong = false }: StartProps) {
  const { submit, state, data } = useFetcher<ActionProblem>();
  const start = () =>
    void submit(JSON.stringify({ game: gameText(asked()), again: false }), {
      method: "post",
      encType: "application/json",
    });
  return (
    <>
      <Button variant={strong ? "contained" : "outlined"} disabled={state !== "idle"} onClick={start}>
        {state === "idle" ? text : "Making it ready…"}
      </Button>
      <Problem message={data?.message} />
    </>
  );
}

interface RungProps {
  readonly level: Level;
  readonly best: number | undefined;
  readonly next: boolean;
}

function Rung({ level, best, next }: RungProps) {
  const { name, lesson } = LEVEL_WORDS[level];
  return (
    <li className={css["rung"]} aria-current={next ? "step" : undefined}>
      <span className="number">{LEVELS.indexOf(level) + 1}</span>
      <div>
        <strong>{name}</strong>
        <small className="under quiet">{lesson}</small>
      </div>
      <span className="quiet">{best === undefined ? "not played" : `best ${best}`}</span>
      <StartButton asked={() => ({ level, seed: newSeed() })} text="Start" strong={next} />
    </li>
  );
}

function Free() {
  const [kind, setKind] = useState<FreeKind | "">("");
  return (
    <section className="stack tight">
      <h2>{LEVEL_WORDS.free.name}</h2>
      <p className="quiet flush">{LEVEL_WORDS.free.brief}</p>
      <div className={css["free"]}>
        <PickField
          label="Machine"
          value={kind}
          options={[["", "Any"] as const, ...FREE_KINDS.map((one) => [one, FREE_KIND_WORDS[one]] as const)]}
          onChange={(event) => setKind(event.target.value as FreeKind | "")}
        />
        <StartButton
          asked={() => ({ level: "free", seed: newSeed(), ...(kind !== "" && { kind }) })}
          text="Start a free game"
        />
      </div>
    </section>
  );
}

export default function PracticeRoute({ loaderData }: Route.ComponentProps) {
  const { ladder, trouble, linked, refusedLink } = loaderData;
  const rungs = LEVELS.filter((level) => level !== "free");
  const next = rungs.find((level) => (ladder.best[level] ?? 0) < LEARNT_FROM);
  const open = ladder.games.filter(({ over }) => !over);
  return (
    <div className="page">
      <PageHead />
      <main className="stack">
        <div>
          <h1>Practice</h1>
          <p className="lead quiet">
            Jet engines that nobody owns. Ride, read the plug, change a part, ride again. Afterwards you see
            what was true, and what Tamis would have done.
          </p>
        </div>
        {trouble !== undefined && <Caution grave>{trouble}</Caution>}
        {refusedLink !== undefined && <Caution grave>{refusedLink}</Caution>}
        {linked && (
          <section className={css["linked"]}>
            <p className="flush">
              Somebody sent you a game: <strong>{LEVEL_WORDS[linked.level].name}</strong>. You get the same
              engine.
            </p>
            <StartButton asked={() => linked} text="Play it" strong />
          </section>
        )}
        {open.length > 0 && (
          <section className="stack tight">
            <h2>Go on</h2>
            <ul className={css["open"]}>
              {open.map(({ rigId, asked }) => (
                <li key={rigId}>
                  <Link to={deskHref(rigId)}>
                    {LEVEL_WORDS[asked.level].name}, engine {asked.seed}
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}
        <section className="stack tight">
          <h2>The ladder</h2>
          <p className="quiet flush">
            {LEARNT_FROM} points and a level is learnt. You may jump to any of them.
          </p>
          <ol className={css["ladder"]}>
            {rungs.map((level) => (
              <Rung key={level} level={level} best={ladder.best[level]} next={level === next} />
            ))}
          </ol>
        </section>
        <Free />
        <p className="quiet flush">
          What you do here is kept apart from your own rigs. No backup and no export holds any of it.{" "}
          <Link to="/trainer">Train your eye on drawn plugs</Link>
        </p>
      </main>
    </div>
  );
}

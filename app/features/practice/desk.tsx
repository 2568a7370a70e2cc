/** The desk of a practice game: what is known, what was done; once it is over, the debrief. */
import { data, redirect } from "react-router";
import Button from "@mui/material/Button";
import { useFetcher, Link } from "react-router";
import type { Route } from "./+types/desk";
import { LEVELS } from "#core/practice/levels.ts";
import { gameText } from "#core/practice/link.ts";
import { EnginePanel } from "#app/frame/practice/EnginePanel.tsx";
import type { GameAnswer } from "#app/frame/practice/use-game.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { readSent, refused, type ActionProblem } from "#app/journal/save.ts";
import { doInGame, GameAction } from "#app/store/practice-log.ts";
import { isPractice } from "#app/store/practice-rigs.ts";
import type { OpenGame } from "#app/store/practice-log.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { useIsPhone } from "#app/ui/use-is-phone.ts";
import { useToast } from "#app/ui/Toast.tsx";
import { airWords } from "#app/vocabulary/entries.ts";
import { PART_NAMES, partValue } from "#app/vocabulary/parts.ts";
import { PARTS } from "#core/log/parts.ts";
import { LEVEL_WORDS } from "#app/vocabulary/practice.ts";
import { Debrief } from "./Debrief.tsx";
import css from "./practice.module.css";

export const clientLoader = ({ params }: Route.ClientLoaderArgs) =>
  isPractice(params.rigId) ? null : redirect(`/rigs/${params.rigId}`);

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const read = readSent(GameAction, await request.json(), "That");
  if (!read.ok) return read.answer;
  const done = await doInGame(params.rigId, read.sent);
  if (done.ok) return data<GameAnswer>({ game: done.value });
  return refused({ message: done.problem.message }, done.problem.reason === "refused" ? 409 : 507);
}

function Brief({ game }: { game: OpenGame }) {
  const context = useRig();
  const phone = useIsPhone();
  const { header, fitted, present, preferences, build } = context;
  const { level, seed } = game.record.asked;
  const words = LEVEL_WORDS[level];
  const href = (path: string) => `/rigs/${header.id}/${path}`;
  return (
    <div className="stack">
      <div>
        <h1>
          {LEVELS.indexOf(level) + 1}. {words.name}
        </h1>
        <p className="lead quiet">{words.brief}</p>
      </div>
      <p className="flush">
        <strong>Learn:</strong> {words.lesson} You have {game.view.minutesLeft} minutes until the gate opens.
      </p>
      {phone && (
        <div className={css["panel"]}>
          <EnginePanel context={context} game={game} />
        </div>
      )}
      <section className="stack tight">
        <h2>How it goes</h2>
        <ol className="steps">
          <li>Ride the engine. You feel how it pulls: whether that is rich or lean is for you to say.</li>
          <li>
            Take the plug out and <Link to={href("look?how=plug")}>write down its tone</Link>. Pale is lean,
            dark is rich.
          </li>
          <li>
            <Link to={href("change")}>Change a part</Link>. A larger jet, a lower clip groove: richer.
          </li>
          <li>
            Idle wrong? Walk the screw on the <Link to={href("idle")}>idle bench</Link>.
          </li>
          {build.engine.cylinders > 1 && (
            <li>
              Bring the carburettors into step on the <Link to={href("balance")}>balance screen</Link>.
            </li>
          )}
          {game.view.checks && (
            <li>Does it not add up? Check the engine part by part, and mend what you find.</li>
          )}
          <li>Ride again. When it is right, press Done.</li>
        </ol>
        <p className="quiet flush">
          Everything takes minutes, and a lean engine at full throttle dies. Go up with the throttle in steps.
        </p>
      </section>
      <section className="stack tight">
        <h2>Fitted now</h2>
        <p className="flush">
          {PARTS.filter((part) => part !== "shimMm")
            .map((part) => `${PART_NAMES[part]} ${partValue(part, fitted[part])}`)
            .join(" · ")}
        </p>
        {present.air && <p className="quiet flush">{airWords(present.air, preferences)}</p>}
        <p className="quiet flush">Engine {seed}</p>
      </section>
    </div>
  );
}

/** Again, the next one, and the link that makes the same game. */
function After({ game }: { game: OpenGame }) {
  const { asked } = game.record;
  const { submit, state, data: answer } = useFetcher<ActionProblem>();
  const say = useToast();
  const again = () =>
    void submit(JSON.stringify({ game: gameText(asked), again: true }), {
      method: "post",
      action: "/practice",
      encType: "application/json",
    });
  const share = () => {
    const address = `${location.origin}/practice?game=${gameText(asked)}`;
    void navigator.clipboard.writeText(address).then(
      () => say({ words: "The link is copied. Whoever opens it gets the same engine." }),
      () => say({ words: address, stays: true }),
    );
  };
  return (
    <div className="stack tight">
      <div className="row">
        <Button component={Link} to="/practice" variant="contained">
          Next engine
        </Button>
        <Button variant="outlined" disabled={state !== "idle"} onClick={again}>
          Again, same engine
        </Button>
        <Button variant="outlined" onClick={share}>
          Copy a link to this engine
        </Button>
      </div>
      <Problem message={answer?.message} />
    </div>
  );
}

export default function DeskRoute() {
  const { game } = useRig();
  if (!game) return null;
  if (!game.view.over) return <Brief game={game} />;
  return (
    <div className="stack wide">
      <Debrief game={game} />
      <After game={game} />
    </div>
  );
}

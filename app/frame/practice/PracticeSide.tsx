/** The engine in the card's place, the clock at its head; on a phone behind a handle. Keeps the other players at work. */
import { memo, useEffect, useState } from "react";
import type { OpenGame } from "#app/store/practice-log.ts";
import { useIsPhone } from "#app/ui/use-is-phone.ts";
import { BESIDE_LIMIT_MS, besidePractice } from "#app/workers/practice-client.ts";
import { Pulled } from "../Pulled.tsx";
import type { RigContext } from "../use-rig.ts";
import { EnginePanel } from "./EnginePanel.tsx";
import css from "./practice.module.css";
import frame from "../frame.module.css";

const clockWords = ({ over, hurt, minutesLeft }: OpenGame["view"]): string => {
  if (hurt) return "the engine is hurt";
  return over ? "game over" : `${minutesLeft} min to the gate`;
};

/** While the learner thinks, the others play and the card is worked out for each stop. */
function useOthers({ record }: OpenGame): void {
  const asked = `${record.entries.length} ${record.done.length}`;
  useEffect(() => {
    void besidePractice
      .call(async (remote) => await remote.prepare(record), BESIDE_LIMIT_MS)
      // The debrief asks again, and says why there is none.
      .catch(() => undefined);
    // The record is named by what it holds.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked]);
}

interface PracticeProps {
  readonly context: RigContext;
  readonly game: OpenGame;
}

export const PracticeSide = memo(function PracticeSide({ context, game }: PracticeProps) {
  useOthers(game);
  // A phone has the engine on its desk and behind a handle.
  if (useIsPhone()) return null;
  return (
    <section aria-label="The engine">
      <EnginePanel
        context={context}
        game={game}
        head={({ view }) => (
          <div className={frame["card-head"]}>
            <h2 className="label">The engine</h2>
            <span className="quiet" role="timer">
              {clockWords(view)}
            </span>
          </div>
        )}
      />
    </section>
  );
});

export const PracticeDrawer = memo(function PracticeDrawer({ context, game }: PracticeProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className={`${frame["drawer-handle"]} ${css["handle"]}`}
        onClick={() => setOpen(true)}
      >
        <strong>The engine</strong>
        <span>{clockWords(game.view)}</span>
      </button>
      {open && (
        <Pulled from="bottom" label="The engine" onClose={() => setOpen(false)}>
          <EnginePanel context={context} game={game} />
        </Pulled>
      )}
    </>
  );
});

import css from "./paddock.module.css";
import Button from "@mui/material/Button";
import { Link, useFetcher } from "react-router";
import type { ActionProblem } from "#app/journal/save.ts";
import { Problem } from "#app/ui/Problem.tsx";

export default function EmptyPaddock() {
  const fetcher = useFetcher<ActionProblem>();
  return (
    <section className="stack">
      <h1>The paddock is empty</h1>
      <p className="lead quiet">
        A rig is a machine with its carburettor and its log. Begin with your own, or look round first.
      </p>
      <div className={css["ways"]}>
        <section>
          <h2>Your own rig</h2>
          <p className="quiet">
            Six short questions, a minute and a half. What is it, what is fitted, in which air was it right?
            Then you get its first card.
          </p>
          <Button component={Link} to="/new" variant="contained">
            Set up my rig
          </Button>
        </section>
        <section>
          <h2>The demo</h2>
          <p className="quiet">
            Five invented rigs with days of readings. They are a mountain enduro, a kart, a farm ATV, a twin
            and a methanol racer. One tap wipes them when you have seen enough.
          </p>
          <fetcher.Form method="post">
            <Button type="submit" variant="outlined" disabled={fetcher.state !== "idle"}>
              {fetcher.state === "idle" ? "Load the demo" : "Loading…"}
            </Button>
          </fetcher.Form>
        </section>
        <section>
          <h2>Practice</h2>
          <p className="quiet">
            Nothing to jet yet? Try an engine of ours. You cannot break it, and afterwards you see what was
            true.
          </p>
          <Button component={Link} to="/practice" variant="outlined">
            Jet a practice engine
          </Button>
        </section>
        <section>
          <h2>Train your eye</h2>
          <p className="quiet">
            Twenty drawn plugs: say the tone of each. You see whether you read pale or dark, and in which
            light.
          </p>
          <Button component={Link} to="/trainer" variant="outlined">
            Read plugs
          </Button>
        </section>
        <section>
          <h2>From a file</h2>
          <p className="quiet">A log exported on another phone or laptop comes in whole.</p>
          <Button component={Link} to="/data" variant="outlined">
            Import a log
          </Button>
        </section>
      </div>
      <Problem message={fetcher.data?.message} />
    </section>
  );
}

import Button from "@mui/material/Button";
import { Link, useSearchParams } from "react-router";
import type { FitEntry } from "#core/log/schema.ts";
import { Card } from "#app/frame/card/Card.tsx";
import { placeHref } from "#app/frame/places.ts";
import { MiniStrip } from "#app/frame/strip/Strip.tsx";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Working } from "#app/ui/Working.tsx";
import { dayTitle } from "#app/vocabulary/days.ts";
import { lineWords } from "#app/vocabulary/entries.ts";
import { nextWords } from "#app/vocabulary/next.ts";
import { advisedWords, believedWords } from "./words.ts";

/** As the app said it, and kept it with the change. */
function Said({ entry: { advised } }: { entry: FitEntry }) {
  return (
    <section className="stack">
      <h2>What was advised</h2>
      {advised ? (
        <>
          <p className="flush">{advisedWords(advised)}.</p>
          <ul className="quiet flush">
            {believedWords(advised).map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </>
      ) : (
        <p className="quiet flush">Nothing was kept with this change.</p>
      )}
    </section>
  );
}

function WorkedOut({ entryId }: { entryId: string }) {
  const { value, working, problem } = useJudge({ ask: "then", entryId });
  if (problem !== undefined) return <Caution grave>{problem}</Caution>;
  if (working) return <Working words="Going back to that moment…" />;
  if (!value)
    return <p className="quiet flush">No air had been read by then: there was nothing to advise on.</p>;
  const { title, reason } = nextWords(value.advice);
  return (
    <div className="stack">
      <p className="flush">
        <strong>{title}.</strong> {reason}
      </p>
      <MiniStrip advice={value.advice} label="Mixture along the throttle, as it was then" />
      <div>
        <Card advice={value.advice} build={value.build} />
      </div>
    </div>
  );
}

export default function ThenRoute() {
  const { header, present, preferences, build } = useRig();
  const [query] = useSearchParams();
  const fits = present.lines.filter(({ entry }) => entry.kind === "fit");
  const at = fits.findIndex(({ entry }) => entry.id === query.get("entry"));
  const line = fits[at] ?? fits.at(-1);
  const here = at < 0 ? fits.length - 1 : at;
  const to = (index: number) => {
    const other = fits[index];
    return (
      other && `${placeHref(header.id, "then")}?${new URLSearchParams({ entry: other.entry.id }).toString()}`
    );
  };
  const [before, after] = [to(here - 1), to(here + 1)];
  if (line?.entry.kind !== "fit")
    return (
      <div className="stack">
        <h1>As it was then</h1>
        <p className="quiet flush">
          Nothing has been fitted yet. Each change keeps what was advised just before it.
        </p>
      </div>
    );
  const { entry } = line;
  const { what, result } = lineWords(line, preferences, fuelFromLog(build.fuel).stoichiometric);
  return (
    <div className="stack wide">
      <div>
        <h1>As it was then</h1>
        <p className="lead quiet">
          {dayTitle(entry.at)}, {entry.at.slice(11, 16)}, just before this was fitted: {what} {result}
          {line.struck && " (struck through since)"}
        </p>
      </div>
      <Said entry={entry} />
      <section className="stack">
        <h2>What Tamis makes of it today</h2>
        <p className="quiet flush">
          From the log of that moment, wrong entries included. If this differs from what was advised, Tamis
          has changed since. Or another rig has shown an instrument’s error.
        </p>
        <WorkedOut entryId={entry.id} />
      </section>
      <nav className="row" aria-label="Other changes">
        {before !== undefined && (
          <Button component={Link} variant="outlined" to={before}>
            The change before
          </Button>
        )}
        {after !== undefined && (
          <Button component={Link} variant="outlined" to={after}>
            The change after
          </Button>
        )}
        <Button component={Link} variant="outlined" to={placeHref(header.id, "log")}>
          The log
        </Button>
      </nav>
    </div>
  );
}

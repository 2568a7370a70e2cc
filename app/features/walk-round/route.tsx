import css from "./walk-round.module.css";
import Button from "@mui/material/Button";
import { Link, useFetcher } from "react-router";
import * as z from "zod/mini";
import { CHECKS, CheckName } from "#core/log/walk-round-names.ts";
import { dayOf, type CheckEntry } from "#core/log/schema.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { StateMark } from "./StateMark.tsx";
import { printOnly } from "#app/ui/print.ts";
import { localInstant } from "#app/journal/clock.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { rigAction, type Answer } from "#app/journal/rig-action.ts";
import { agoWords, dayTitle } from "#app/vocabulary/days.ts";
import { checkResult } from "#app/vocabulary/entries.ts";
import { capital } from "#app/vocabulary/parts.ts";
import { CHECK_WORDS, checkList, STATE_WORDS } from "#app/vocabulary/walk-round.ts";
import { LAW_PAGE } from "#app/vocabulary/help.ts";
import { CHECK_GUIDE } from "#app/vocabulary/walk-round-guide.ts";

const Tap = z.object({ check: CheckName, state: z.enum(["pass", "skipped"]) });

/** One tap on the list: passed, or skipped today. */
export const clientAction = rigAction({
  codec: Tap,
  form: "walk-round",
  what: "This check",
  entries: (tap) => [{ kind: "check", ...tap, measured: {}, findings: [], note: "" }],
});

function CheckLine({
  check,
  number,
  entry,
  today,
}: {
  check: CheckName;
  number: number;
  entry: CheckEntry | undefined;
  today: string;
}) {
  const { header } = useRig();
  const fetcher = useFetcher<Answer>();
  const fresh = entry !== undefined && dayOf(entry.at) === today;
  const href = `${placeHref(header.id, "walk-round")}/${check}`;
  const stands = entry && (fresh || entry.state === "stop");
  return (
    <li className={css["check-line"]}>
      <span className="number">{number}</span>
      <div>
        <Link to={href}>{CHECK_WORDS[check].title}</Link>
        <small className="quiet">
          {entry
            ? `${fresh ? entry.at.slice(11, 16) : agoWords(entry.at, new Date())} · ${checkResult(entry) || STATE_WORDS[entry.state]}`
            : CHECK_GUIDE[check].why}
        </small>
        {fetcher.data?.message !== undefined && <Caution grave>{fetcher.data.message}</Caution>}
      </div>
      {stands ? (
        <StateMark state={entry.state} />
      ) : (
        <Button
          variant="outlined"
          className="no-print"
          disabled={fetcher.state !== "idle"}
          aria-label={`Pass: ${CHECK_WORDS[check].title}`}
          onClick={() =>
            void fetcher.submit({ check, state: "pass" }, { method: "post", encType: "application/json" })
          }
        >
          Pass
        </Button>
      )}
    </li>
  );
}

export default function WalkRoundRoute() {
  const { present, header } = useRig();
  const { checks, held, overridden } = present;
  const today = dayOf(localInstant());
  const done = CHECKS.filter((check) => {
    const entry = checks[check];
    return entry !== undefined && dayOf(entry.at) === today;
  });
  const next = CHECKS.find((check) => !done.includes(check));
  const title = held.length > 0 ? "Stop: mend this first" : "Walk-round";
  return (
    <div className="stack">
      <div>
        <h1>{title}</h1>
        <p className="lead quiet">
          {held.length > 0
            ? `${capital(checkList(held))} ${held.length === 1 ? "says" : "say"} stop. No jet cures a fault: the card is held back until it is mended.`
            : `Before any jet is touched. ${done.length} of ${CHECKS.length} done today; a stop holds the card back.`}
        </p>
      </div>
      <div className="row no-print">
        {next && (
          <Button component={Link} to={`${placeHref(header.id, "walk-round")}/${next}`} variant="contained">
            {done.length === 0 ? "Start" : "Go on"}: {CHECK_WORDS[next].title.toLowerCase()}
          </Button>
        )}
        <Button variant="outlined" onClick={() => printOnly("log")}>
          Print
        </Button>
      </div>
      {overridden && (
        <Caution grave>
          Jetted on although {checkList(overridden.checks)} says stop: “{overridden.reason}”.
        </Caution>
      )}
      <p className="print-only">
        <strong>
          {header.plate} · {header.name}
        </strong>
        , {dayTitle(localInstant())}
      </p>
      <ol className={css["check-lines"]}>
        {CHECKS.map((check, i) => (
          <CheckLine key={check} check={check} number={i + 1} entry={checks[check]} today={today} />
        ))}
      </ol>
      <Caution plain page={LAW_PAGE}>
        Limits for your make are in its manual. Rule book, local law and licensed people come first.
      </Caution>
    </div>
  );
}

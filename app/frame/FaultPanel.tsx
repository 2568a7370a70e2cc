/** What else than jetting it could be: the first two with their reasons, the way to the check, and what came of it. */
import css from "./frame.module.css";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { Suspect } from "#core/faults/suspicion.ts";
import { AboutLink } from "#app/ui/AboutLink.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { becauseWords, ELSE_TELLS, FAULT_WORDS, faultName } from "#app/vocabulary/faults.ts";
import { faultPage } from "#app/vocabulary/help.ts";
import { capital, certainty } from "#app/vocabulary/parts.ts";
import { CHECK_WORDS } from "#app/vocabulary/walk-round.ts";
import type { RigContext } from "./use-rig.ts";
import { placeHref } from "./places.ts";
import { useTap } from "./use-tap.ts";

function OneFault({ suspect, context }: { suspect: Suspect; context: RigContext }) {
  const rigId = context.header.id;
  const { send, busy, answer } = useTap(rigId);
  const { fault, chance, check, cylinder } = suspect;
  const because = becauseWords(suspect);
  const say = (is: "mended" | "notThis") =>
    send({ intent: "fault", fault, is, ...(cylinder !== undefined && { cylinder }) });
  const name = faultName(suspect);
  return (
    <li>
      <strong>{capital(name)}</strong> <span className="quiet">{certainty(chance)}</span>
      <p>
        {FAULT_WORDS[fault].does} <AboutLink page={faultPage(fault)} />
      </p>
      {because.for !== "" && <p className="quiet">For it: {because.for}.</p>}
      {because.against !== "" && <p className="quiet">Against it: {because.against}.</p>}
      <p className="quiet">What else would show it: {ELSE_TELLS[fault]}</p>
      <div className="row">
        {!(context.advice?.next.kind === "check" && context.advice.next.fault === fault) && (
          <Button component={Link} to={placeHref(rigId, `walk-round/${check}`)} variant="outlined">
            Look at {CHECK_WORDS[check].short}
          </Button>
        )}
        <Button
          variant="outlined"
          disabled={busy}
          onClick={() => say("mended")}
          aria-label={`It was ${name}, and it is mended`}
        >
          It was this: mended
        </Button>
        <Button
          variant="outlined"
          disabled={busy}
          onClick={() => say("notThis")}
          aria-label={`It was not ${name}`}
        >
          It was not
        </Button>
      </div>
      <Problem message={answer?.message} />
    </li>
  );
}

/** One that is less likely is not shown. */
const WORTH_SHOWING = 0.1;

export function FaultPanel({ context }: { context: RigContext }) {
  const shown = (context.advice?.faults ?? []).slice(0, 2).filter(({ chance }) => chance >= WORTH_SHOWING);
  if (shown.length === 0) return null;
  return (
    <section className={css["faults"]} aria-label="Not jetting?">
      <h2 className="label">Not jetting? What no jet cures</h2>
      <ol>
        {shown.map((suspect) => (
          <OneFault key={suspect.fault} suspect={suspect} context={context} />
        ))}
      </ol>
    </section>
  );
}

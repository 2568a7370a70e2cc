import clsx from "clsx";
import css from "./today.module.css";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import { Question } from "#app/ui/AskFirst.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { LogLines } from "#app/frame/LogLines.tsx";
import { BetterOrWorse } from "./BetterOrWorse.tsx";
import { FeltOrRead } from "./FeltOrRead.tsx";
import { FaultPanel } from "#app/frame/FaultPanel.tsx";
import { Hints } from "./Hints.tsx";
import { NextHeat } from "./NextHeat.tsx";
import { OneQuestion } from "./OneQuestion.tsx";
import { PlanList } from "./PlanList.tsx";
import { RideReport } from "./RideReport.tsx";
import { Fitted, PutBack } from "#app/frame/Taps.tsx";
import { lookQuery } from "#app/frame/look-query.ts";
import { Tiles } from "./Tiles.tsx";
import { WalkRoundDue } from "./WalkRoundDue.tsx";
import { isFirstChangeAsked } from "#app/frame/walk-round-due.ts";
import { partHref, placeHref } from "#app/frame/places.ts";
import { CHECK_WORDS } from "#app/vocabulary/walk-round.ts";
import { askedWords, WARNING_PAGES, warningWords } from "./warnings.ts";
import { surpriseWords } from "#app/vocabulary/surprise.ts";
import { agoWords, dayTitle, isAnotherDay } from "#app/vocabulary/days.ts";
import { askedFirst, isAskedFirst } from "#core/advice/card/asked-first.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { RIDE_STOPPERS } from "#core/advice/card/ride-stopped.ts";
import type { NextLook } from "#core/advice/ride/next-look.ts";
import { contradictions } from "#core/looks/contradictions.ts";
import type { LogLine } from "#core/log/present.ts";
import { dayOf } from "#core/log/schema.ts";

/** What was advised for the air of another day is no card for today. */
function StaleAirLine() {
  const at = useRig().present.air?.at;
  const now = new Date();
  if (at === undefined || !isAnotherDay(at, now)) return null;
  return (
    <Caution plain>
      This card is for the air of {dayTitle(at)} ({agoWords(at, now)} ago). Read the air before anything is
      fitted.
    </Caution>
  );
}

/** A clock that goes slow by less than this is nobody's mistake. */
const CLOCKS_DIFFER_MS = 10 * 60_000;

/** What is logged now would sort before it. */
function AheadOfClockLine() {
  const newest = useRig().present.newest;
  const [now] = useState(() => Date.now());
  if (newest === undefined || Date.parse(newest) <= now + CLOCKS_DIFFER_MS) return null;
  return (
    <Caution>
      The newest entry is dated {dayTitle(newest)}, {newest.slice(11, 16)}: that is ahead of this device’s
      clock. Set the clock right, or cross out that entry. Until then your next entries come before it.
    </Caution>
  );
}

/** A check that passed or was skipped says nothing that today's list must show. */
const isPlainCheck = ({ entry }: LogLine): boolean =>
  entry.kind === "check" && (entry.state === "pass" || entry.state === "skipped");

/** Where a look is asked for: by the next ride, or to clear what stopped the riding. */
function lookWanted({ next }: Advice): Pick<NextLook, "how" | "zone" | "cylinder"> | undefined {
  if (next.kind === "ride") return next;
  const stopped = next.kind === "stop" && RIDE_STOPPERS.some((symptom) => symptom === next.because);
  return stopped ? { how: "plug", zone: "top" } : undefined;
}

export function TodaysWork({ advice }: { advice: Advice }) {
  const context = useRig();
  const [telling, setTelling] = useState(false);
  const { present, preferences, header } = context;
  const day = present.lines.at(-1)?.entry.at;
  const lines = day === undefined ? [] : present.lines.filter(({ entry }) => dayOf(entry.at) === dayOf(day));
  const plainChecks = lines.filter(isPlainCheck);
  const worthTelling = lines.filter((line) => !isPlainCheck(line));
  const held = present.held.length > 0;
  const [answered, setAnswered] = useState<string>();
  const odd = askedFirst(advice);
  const question = odd && askedWords(odd, present);
  const asks = question?.words === answered ? undefined : question;
  const firstWaits = isFirstChangeAsked(context);
  const wanted = lookWanted(advice);
  const looksHere = wanted?.how === "idleBench" ? "idle" : wanted?.how === "timedPair" ? "stopwatch" : "look";
  return (
    <>
      <Hints preferences={preferences} />
      <WalkRoundDue />
      {contradictions(present).map((between) => (
        <FeltOrRead key={between.zone} rigId={header.id} between={between} />
      ))}
      <OneQuestion context={context} />
      {!held && asks && <Question asks={asks} onYes={() => setAnswered(asks.words)} />}
      {!held && (
        <PlanList
          context={context}
          advice={advice}
          waits={firstWaits ? "all" : asks !== undefined ? "top" : "none"}
        />
      )}
      <div className={clsx("row", css["actions"])}>
        {held ? (
          <Button component={Link} to={placeHref(header.id, "walk-round")} variant="contained">
            To the walk-round
          </Button>
        ) : advice.next.kind === "check" ? (
          <Button
            component={Link}
            to={placeHref(header.id, `walk-round/${advice.next.check}`)}
            variant="contained"
          >
            Look at {CHECK_WORDS[advice.next.check].short}
          </Button>
        ) : advice.next.kind === "part" ? (
          <Button component={Link} to={partHref(header.id, advice.next.part.name)} variant="contained">
            To that part
          </Button>
        ) : advice.next.kind === "stop" && advice.next.because === "plugsContradict" ? (
          <Button component={Link} to={placeHref(header.id, "log")} variant="contained">
            To the log
          </Button>
        ) : asks || firstWaits ? null : (
          <Fitted context={context} advice={advice} />
        )}
        <Button
          component={Link}
          to={
            wanted ? `${placeHref(header.id, looksHere)}${lookQuery(wanted)}` : placeHref(header.id, "look")
          }
          variant={wanted ? "contained" : "outlined"}
        >
          {wanted?.how === "idleBench" ? "To the idle bench" : "Log a look"}
          <span className="key">l</span>
        </Button>
        {!telling && (
          <Button variant="outlined" onClick={() => setTelling(true)}>
            Back from a ride?
          </Button>
        )}
        {present.openChange && advice.next.kind !== "putBack" && <PutBack context={context} />}
        <Button component={Link} to={placeHref(header.id, "why")} variant="outlined">
          Why<span className="key">y</span>
        </Button>
      </div>
      {telling && <RideReport context={context} onDone={() => setTelling(false)} />}
      {(advice.named.length > 0 || advice.next.kind === "check") && <FaultPanel context={context} />}
      <BetterOrWorse context={context} />
      <NextHeat />
      <StaleAirLine />
      <AheadOfClockLine />
      {advice.surprises.map((surprise) => (
        <Caution key={surprise.lookId}>{surpriseWords(surprise, present, preferences)}</Caution>
      ))}
      {advice.warnings.map((warning) => {
        // Asked above, where it would be fitted.
        if (isAskedFirst(warning)) return null;
        const { grave, text } = warningWords(warning, preferences);
        return (
          <Caution key={warning.code + text} grave={grave} plain={!grave} page={WARNING_PAGES[warning.code]}>
            {text}
          </Caution>
        );
      })}
      <Tiles advice={advice} airAt={present.air?.at} length={preferences.length} />
      <section>
        <h2 className="label">{day === undefined ? "Nothing logged yet" : dayTitle(day)}</h2>
        <LogLines lines={[...worthTelling].reverse()} context={context} />
        {plainChecks.length > 0 && (
          <p className="quiet">
            {plainChecks.length} checks of the walk-round without a remark:{" "}
            <Link to={placeHref(header.id, "walk-round")}>the list</Link>.
          </p>
        )}
      </section>
    </>
  );
}

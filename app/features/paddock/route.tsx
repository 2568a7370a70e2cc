import css from "./paddock.module.css";
import { lazy, Suspense, useState } from "react";
import { Link, data } from "react-router";
import type { Route } from "./+types/route";
import type { Header } from "#core/log/schema.ts";
import { demoTrouble, loadDemo } from "#app/journal/demo.ts";
import { readPreferences } from "#app/store/preferences.ts";
import { backupState } from "#app/store/backups.ts";
import { isDemo } from "#app/store/demo-rigs.ts";
import { listRigs } from "#app/store/book.ts";
import { anythingLeft } from "#app/store/database.ts";
import { TryAgain } from "#app/ui/TryAgain.tsx";
import { unbroken } from "#app/ui/unbroken.ts";
import type { RigFaceKept } from "#app/store/last-advice.ts";
import { revisionOf } from "#app/store/rig-log.ts";
import type { Revision } from "#app/workers/revision.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Fenced } from "#app/ui/Fenced.tsx";
import { LinkButton } from "#app/ui/LinkButton.tsx";
import { PageHead } from "#app/ui/PageHead.tsx";
import { Step } from "#app/ui/Step.tsx";
import { RigFace } from "#app/frame/RigFace.tsx";
import { keptFace } from "#app/journal/judge.ts";
import { refused } from "#app/journal/save.ts";
import { useInView } from "#app/ui/use-in-view.ts";
import { useFace } from "./use-face.ts";
import { MiniStrip } from "#app/frame/strip/Strip.tsx";
import { backupWords, isBackupDue } from "#app/vocabulary/backup.ts";
import { heldWords } from "#app/vocabulary/walk-round.ts";
import { countWords } from "#app/vocabulary/counts.ts";
import { airWords } from "#app/vocabulary/entries.ts";
import { nextWords } from "#app/vocabulary/next.ts";
import { PART_NAMES } from "#app/vocabulary/parts.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

export const meta = () => [{ title: "Paddock · Tamis" }];

const UNREADABLE = "cannot be read. Save the raw data on the Data page, then import a good export.";

/** What a screen shows at once comes with it; the rest asks for itself when it is scrolled to. */
const IN_SIGHT = 4;

export async function clientLoader() {
  const [shelf, preferences] = await Promise.all([listRigs(), readPreferences()]);
  if (!shelf.ok)
    return {
      rigs: [],
      troubles: [shelf.problem.message],
      preferences,
      backup: undefined,
      left: 0,
      closed: true,
    };
  const { headers, unreadable } = shelf.value;
  const [backup, left, ...revisions] = await Promise.all([
    backupState(),
    // Seldom asked for: not before the first card.
    anythingLeft()
      ? import("#app/store/leftovers.ts").then(({ leftElsewhere }) => leftElsewhere()).catch(() => [])
      : [],
    ...headers.map(({ id }) => revisionOf(id)),
  ]);
  const named = headers.flatMap((header, i) => {
    const revision = revisions[i];
    return revision?.ok ? [{ header, revision: revision.value }] : [];
  });
  const rigs = await Promise.all(
    named.map(async (rig, i) => ({ ...rig, kept: i < IN_SIGHT ? await keptFace(rig.revision) : undefined })),
  );
  const troubles = [
    ...unreadable.map((id) => `The rig ${id} ${UNREADABLE}`),
    ...revisions.flatMap((revision) => (revision.ok ? [] : [revision.problem.message])),
  ];
  // A first visit whose demo could not be kept says so, not only that there is nothing.
  const demo = demoTrouble();
  return {
    rigs,
    troubles: demo === undefined ? troubles : [...troubles, demo],
    preferences,
    backup,
    left: left.reduce((sum, { entries }) => sum + entries.length, 0),
    closed: false,
  };
}

export async function clientAction() {
  const loaded = await loadDemo();
  return loaded.ok ? data({}, { status: 200 }) : refused({ message: loaded.problem.message }, 507);
}

interface RigCardProps {
  readonly header: Header;
  readonly revision: Revision;
  readonly kept: RigFaceKept | undefined;
  readonly preferences: Preferences;
}

function RigCard({ header, revision, kept, preferences }: RigCardProps) {
  const [place, inView] = useInView<HTMLAnchorElement>();
  const { face, problem } = useFace(revision, inView, kept);
  const { advice, air, held = [] } = face ?? {};
  const words = held.length > 0 ? heldWords(held) : advice && nextWords(advice);
  const line = air ? airWords(air, preferences) : face ? "no air read yet" : "";
  return (
    <Link className={css["rig-card"]} to={`/rigs/${header.id}`} ref={place}>
      <RigFace header={header} line={line} />
      <div style={{ gridArea: "next", padding: "12px 16px" }}>
        <h2>
          {words?.title ??
            (problem === undefined ? "Working out today’s card…" : "The advice could not be worked out")}
        </h2>
        <p className="quiet" style={{ margin: "6px 0 0", lineHeight: 1.4 }}>
          {words ? unbroken(words.reason) : problem}
        </p>
      </div>
      <div style={{ gridArea: "strip", padding: "0 16px 10px" }}>
        {advice ? <MiniStrip advice={advice} /> : <div style={{ height: 64 }} />}
      </div>
      {held.length === 0 && (
        <div className={css["fits"]}>
          {advice?.card.rows.map(({ part, from, to }) => (
            <div key={part}>
              <span className="quiet">{PART_NAMES[part]}</span> <Step part={part} from={from} to={to} />
            </div>
          ))}
        </div>
      )}
    </Link>
  );
}

const EmptyPaddock = lazy(() => import("./EmptyPaddock.tsx"));

/** Whoever has looked round enough goes on with a machine of his own. */
function OnlyTheDemo() {
  return (
    <p className={css["only-demo"]}>
      <span>These rigs are invented, to look round with. Yours takes a minute and a half.</span>
      <LinkButton to="/new" variant="contained">
        Set up my rig
      </LinkButton>
      <LinkButton to="/data/rigs#demo" variant="outlined">
        Wipe the demo
      </LinkButton>
    </p>
  );
}

export default function PaddockRoute({ loaderData }: Route.ComponentProps) {
  const { rigs, troubles, preferences, backup, left, closed } = loaderData;
  // As it was when the page came: a reminder that comes while one reads startles.
  const [now] = useState(() => new Date());
  return (
    <div className="page">
      <PageHead />
      <main className="stack">
        {closed && <h1>Paddock</h1>}
        {troubles.map((message) => (
          <Caution grave key={message}>
            {message}
          </Caution>
        ))}
        {closed && (
          <div className="row">
            <TryAgain variant="contained" />
            <LinkButton to="/data" variant="outlined">
              To the data
            </LinkButton>
          </div>
        )}
        {left > 0 && (
          <Caution grave>
            An earlier visit could not open this book and kept {countWords(left, "entry", "entries")}{" "}
            elsewhere in this browser. <Link to="/data#elsewhere">Bring them in</Link>
          </Caution>
        )}
        {rigs.length > 0 && (
          <div className="row apart">
            <h1>Paddock</h1>
            <div className="row">
              <LinkButton to="/practice" variant="outlined">
                Practice
              </LinkButton>
              <LinkButton to="/trainer" variant="outlined">
                Train your eye
              </LinkButton>
              <LinkButton to="/new" variant="outlined">
                New rig
              </LinkButton>
            </div>
          </div>
        )}
        {rigs.length > 0 && rigs.every(({ header }) => isDemo(header.id)) && <OnlyTheDemo />}
        {backup && isBackupDue(backup, now) && (
          <p className="flush">
            {backupWords(backup, now)} <Link to="/data#backup">Back it up</Link>
          </p>
        )}
        {rigs.map(({ header, revision, kept }) => (
          <Fenced
            key={header.id}
            instead={
              <Caution grave>
                The card of {header.name} cannot be shown. <Link to={`/rigs/${header.id}/log`}>Its log</Link>{" "}
                is as it was.
              </Caution>
            }
          >
            <RigCard header={header} revision={revision} kept={kept} preferences={preferences} />
          </Fenced>
        ))}
        {rigs.length === 0 && troubles.length === 0 && (
          <Suspense fallback={null}>
            <EmptyPaddock />
          </Suspense>
        )}
      </main>
    </div>
  );
}

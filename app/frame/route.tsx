import clsx from "clsx";
import css from "./frame.module.css";
import { lazy, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Outlet, useLocation, useRevalidator, type ShouldRevalidateFunctionArgs } from "react-router";
import type { Route } from "./+types/route";
import type { AirEntry } from "#core/log/schema.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import { WhichCarburettor } from "./card/WhichCarburettor.tsx";
import { Card } from "./card/Card.tsx";
import { PaperCard } from "./card/PaperCard.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { TryAgain } from "#app/ui/TryAgain.tsx";
import { usePrinting } from "#app/ui/use-printing.ts";
import { ClosedPlace } from "./ClosedPlace.tsx";
import { Working } from "#app/ui/Working.tsx";
import { CardFoot } from "./card/CardFoot.tsx";
import { HeldCard } from "./HeldCard.tsx";
import { Shortcuts } from "./Shortcuts.tsx";
import { lookFaces } from "./look-faces.ts";
import { PhoneHead, PhoneNav } from "./PhoneFrame.tsx";
import { PhoneCard, Ribbon } from "./PhoneDrawers.tsx";
import { Rail } from "./Rail.tsx";
import { keptFace } from "#app/journal/judge.ts";
import { openGame, openRig } from "#app/journal/open-rig.ts";
import { runTap } from "./run-tap.ts";
import { DESK, isOpenInPractice, isReadFrom, isScreenAt, rememberScreen } from "./places.ts";
import { PlaceTabs } from "./PlaceTabs.tsx";
import { titleOf } from "./title.ts";
import { useAdvice } from "./use-advice.ts";
import type { RigContext } from "./use-rig.ts";
import { Strip, type LiveMark } from "./strip/Strip.tsx";
import { onChangeElsewhere } from "#app/store/changes.ts";
import { readPreferences } from "#app/store/preferences.ts";
import { isPractice } from "#app/store/practice-rigs.ts";
import { useSayNotTakenBack } from "./use-logged-tap.ts";

/** What only a practice rig has. */
const PracticeSide = lazy(() =>
  import("./practice/PracticeSide.tsx").then(({ PracticeSide: of }) => ({ default: of })),
);
const PracticeDrawer = lazy(() =>
  import("./practice/PracticeSide.tsx").then(({ PracticeDrawer: of }) => ({ default: of })),
);

export const meta = ({ loaderData, location }: Route.MetaArgs) => [
  { title: titleOf(location.pathname, loaderData?.log.header.name) },
];

/** What a screen shows of the rig stands in the address too: for another view of it nothing is read again. */
export const shouldRevalidate = ({
  currentUrl,
  nextUrl,
  formMethod,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean =>
  formMethod === undefined && currentUrl.pathname === nextUrl.pathname && currentUrl.search !== nextUrl.search
    ? false
    : defaultShouldRevalidate;

export async function clientLoader({ params }: Route.ClientLoaderArgs) {
  const [rig, preferences] = await Promise.all([openRig(params.rigId), readPreferences()]);
  const game = isPractice(params.rigId) ? await openGame(params.rigId) : undefined;
  // What is covered is not shown from an earlier visit either.
  const kept = game ? undefined : (await keptFace(rig.log.revision))?.advice;
  return { ...rig, preferences, game, kept };
}

export const clientAction = async ({ params, request }: Route.ClientActionArgs) =>
  runTap(params.rigId, await request.json());

/** What is chosen or half typed on one rig is never taken along to another. */
export default function RigRoute({ loaderData }: Route.ComponentProps) {
  return <RigFrame key={loaderData.log.header.id} loaderData={loaderData} />;
}

function RigFrame({ loaderData }: Pick<Route.ComponentProps, "loaderData">) {
  useSayNotTakenBack();
  const { log, present, build, preferences } = loaderData;
  const printing = usePrinting();
  const [draft, setDraft] = useState<AirEntry>();
  const [live, setLive] = useState<LiveMark>();
  const [chosen, setCarburettor] = useState(0);
  const carburettor = Math.min(chosen, present.settings.length - 1);
  const { game } = loaderData;
  const covered = game?.covered ?? false;
  const { advice, working, problem } = useAdvice(log, draft, carburettor, present, loaderData.kept, covered);
  const looks = useMemo(() => lookFaces(present), [present]);
  const { revalidate } = useRevalidator();
  useEffect(
    () =>
      onChangeElsewhere((rigId) => {
        if (rigId === log.header.id) void revalidate();
      }),
    [log.header.id, revalidate],
  );
  const work = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  // Another screen begins at its top: what comes of a saved form stands there.
  useEffect(() => {
    if (work.current) work.current.scrollTop = 0;
    rememberScreen(log.header.id, pathname);
  }, [pathname, log.header.id]);
  const fitted = present.settings[carburettor] ?? loaderData.fitted;
  // Whatever the router is at, what has not changed is not drawn again.
  const context = useMemo<RigContext>(
    () => ({
      advice,
      working,
      problem,
      header: log.header,
      revision: log.revision,
      entries: log.entries,
      present,
      build,
      fitted,
      carburettor,
      setCarburettor,
      preferences,
      setDraft,
      setLive,
      game,
    }),
    [advice, working, problem, log, present, build, fitted, carburettor, preferences, game],
  );
  const ownBuild = useMemo(() => buildOfCarburettor(build, carburettor), [build, carburettor]);
  const held = present.held.length > 0;
  const reads = isReadFrom(log.header.id, pathname);
  const { id } = log.header;
  const zoneHref = useCallback((zone: string) => `/rigs/${id}/look?zone=${zone}`, [id]);
  return (
    <div className={css["frame"]} data-room={reads ? undefined : "work"} data-covered={covered || undefined}>
      <Shortcuts context={context} />
      <Rail context={context} />
      <PhoneHead context={context} />
      {advice && <Ribbon advice={advice} looks={looks} zoneHref={zoneHref} narrow={!reads} />}
      <div className={css["strip-place"]}>
        {advice ? (
          <Strip advice={advice} looks={looks} live={live} working={working} zoneHref={zoneHref} />
        ) : (
          !problem && !covered && <Working words="Sifting the log…" />
        )}
        {covered && <p className={css["covered"]}>Strip and card are covered.</p>}
      </div>
      <main tabIndex={0} ref={work}>
        {problem !== undefined && (
          <div className="stack" style={{ marginBottom: 16 }}>
            <Caution grave>The advice could not be worked out: {problem}</Caution>
            <TryAgain />
          </div>
        )}
        <PlaceTabs rigId={id} />
        {game && !isOpenInPractice(id, pathname) ? <ClosedPlace rigId={id} /> : <Outlet context={context} />}
      </main>
      <aside className={css["card-place"]} aria-label={game ? "The engine and the card" : "The card"}>
        {game && <PracticeSide context={context} game={game} />}
        {!covered && (
          <div className={clsx(css["card-head"], !held && "no-print")}>
            <h2 className="label">The card</h2>
            <span className="quiet" role="status" style={{ fontSize: "0.85rem" }}>
              {held ? "held back" : working && advice ? "working…" : draft ? "as typed" : "fitted → to fit"}
            </span>
          </div>
        )}
        {held && !covered ? (
          <>
            <p className="print-only">
              <strong>
                {log.header.plate} · {log.header.name}
              </strong>
            </p>
            <HeldCard context={context} />
          </>
        ) : (
          advice && (
            <>
              {printing && <PaperCard context={context} advice={advice} />}
              <div className="no-print">
                <WhichCarburettor context={context} advice={advice} />
                <Card advice={advice} build={ownBuild} />
                <CardFoot context={context} advice={advice} />
              </div>
            </>
          )
        )}
      </aside>
      {game
        ? !isScreenAt(DESK, id, pathname) && <PracticeDrawer context={context} game={game} />
        : advice && <PhoneCard context={context} advice={advice} />}
      <PhoneNav context={context} />
    </div>
  );
}

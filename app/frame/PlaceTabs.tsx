import { Link, useLocation } from "react-router";
import { isPractice } from "#app/store/practice-rigs.ts";
import { leadingBack } from "#app/vocabulary/help.ts";
import { helpAt, isOpenInPractice, isScreenAt, placeAt, placeHref } from "./places.ts";

/** The handbook's page of the place that is open; it leads back here. */
function PlaceHelp({ rigId }: { rigId: string }) {
  const { pathname } = useLocation();
  const page = helpAt(rigId, pathname);
  if (page === undefined) return null;
  return (
    <Link
      className="help no-print"
      to={leadingBack(page, pathname)}
      aria-label="Handbook: this step"
      title="Handbook (h)"
    >
      ?
    </Link>
  );
}

/**
 * The screens of the place that is open, where it has several, and its page of the handbook beside them. Look shows its
 * own, as kinds.
 */
export function PlaceTabs({ rigId }: { rigId: string }) {
  const { pathname } = useLocation();
  const place = placeAt(rigId, pathname);
  if (!place || place.screens.length === 1 || place.name === "Look") return <PlaceHelp rigId={rigId} />;
  const screens = isPractice(rigId)
    ? place.screens.filter(({ path }) => isOpenInPractice(rigId, placeHref(rigId, path)))
    : place.screens;
  return (
    <div className="place-head no-print">
      <nav className="tabs" aria-label={place.name}>
        {screens.map((screen) => (
          <Link
            key={screen.path}
            to={placeHref(rigId, screen.path)}
            prefetch="intent"
            aria-current={isScreenAt(screen, rigId, pathname) ? "page" : undefined}
          >
            {screen.name}
          </Link>
        ))}
      </nav>
      <PlaceHelp rigId={rigId} />
    </div>
  );
}

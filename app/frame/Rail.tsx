import css from "./frame.module.css";
import { memo } from "react";
import { Link, useLocation } from "react-router";
import { Mark } from "#app/ui/Mark.tsx";
import { LightButton } from "#app/ui/LightButton.tsx";
import type { RigContext } from "./use-rig.ts";
import { placeAt, placeLink, placesFor } from "./places.ts";
import { RigFace, slideLine } from "./RigFace.tsx";

/** The map of places, each with its state. */
export const Rail = memo(function Rail({ context }: { context: RigContext }) {
  const { header, build, game } = context;
  const { pathname } = useLocation();
  const here = placeAt(header.id, pathname);
  return (
    <div className={css["rail"]}>
      <Link className="brand" to="/">
        <Mark /> Tamis
      </Link>
      <RigFace header={header} line={slideLine(build)} />
      <nav aria-label="The work">
        {placesFor(build, game !== undefined).map((place) => (
          <Link
            key={place.name}
            to={placeLink(place, header.id, pathname)}
            prefetch="intent"
            aria-current={place === here ? "page" : undefined}
            title={`g ${place.key}`}
          >
            {place.name}
            <small>{place.state(context)}</small>
          </Link>
        ))}
      </nav>
      <footer>
        <Link to="/">Paddock</Link>
        <Link to="/find">Find</Link>
        <Link to="/data">Data</Link>
        <LightButton />
      </footer>
    </div>
  );
});

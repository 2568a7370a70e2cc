import { Link, NavLink } from "react-router";
import { Mark } from "#app/parts/Mark.tsx";
import { SchemeButton } from "#app/parts/SchemeButton.tsx";
import type { RigContext } from "./context.ts";
import { placeHref, PLACES } from "./places.ts";
import { RigFace, slideLine } from "./RigFace.tsx";

/** The work in order, each step with its state. */
export function Rail({ context }: { context: RigContext }) {
  const { header, build } = context;
  return (
    <div className="rail">
      <Link className="brand" to="/">
        <Mark /> Tamis
      </Link>
      <RigFace header={header} line={slideLine(build)} />
      <nav aria-label="The work">
        {PLACES.map((place) => (
          <NavLink
            key={place.path}
            to={placeHref(header.id, place.path)}
            end={place.path === ""}
            title={`g ${place.key}`}
          >
            {place.name}
            <small>{place.state(context)}</small>
          </NavLink>
        ))}
      </nav>
      <footer>
        <Link to="/">Paddock</Link>
        <Link to="/data">Data</Link>
        <SchemeButton />
      </footer>
    </div>
  );
}

import { Link, NavLink } from "react-router";
import { Mark } from "#app/parts/Mark.tsx";
import { airWords } from "#app/words/entries.ts";
import type { RigContext } from "./context.ts";
import { placeHref, PLACES } from "./places.ts";
import { RigFace, slideLine } from "./RigFace.tsx";

export function PhoneHead({ context }: { context: RigContext }) {
  const { header, build, present, preferences } = context;
  const line = present.air ? airWords(present.air, preferences) : slideLine(build);
  return (
    <header className="phone-head">
      <RigFace header={header} line={line} />
      <Link className="mark" to="/" aria-label="To the paddock">
        <Mark size={28} />
      </Link>
    </header>
  );
}

const ON_PHONE = new Set(["", "build", "air", "look", "log"]);

/** Five places in reach of a thumb; changing and asking why stand on Today. */
export function PhoneNav({ context }: { context: RigContext }) {
  return (
    <nav className="phone-nav" aria-label="The work">
      {PLACES.filter(({ path }) => ON_PHONE.has(path)).map((place) => (
        <NavLink key={place.path} to={placeHref(context.header.id, place.path)} end={place.path === ""}>
          {place.name}
        </NavLink>
      ))}
    </nav>
  );
}

import css from "./frame.module.css";
import { memo, useState } from "react";
import { Link, useLocation } from "react-router";
import { LightButton } from "#app/ui/LightButton.tsx";
import { Mark } from "#app/ui/Mark.tsx";
import { airWords } from "#app/vocabulary/entries.ts";
import { leadingBack } from "#app/vocabulary/help.ts";
import type { RigContext } from "./use-rig.ts";
import { Pulled } from "./Pulled.tsx";
import { helpAt, placeAt, placeLink, placesFor, type Place } from "./places.ts";
import { RigFace, slideLine } from "./RigFace.tsx";

export const PhoneHead = memo(function PhoneHead({ context }: { context: RigContext }) {
  const { header, build, present, preferences } = context;
  const line = present.air ? airWords(present.air, preferences) : slideLine(build);
  const { pathname } = useLocation();
  const page = helpAt(header.id, pathname);
  return (
    <header className={css["phone-head"]}>
      <RigFace header={header} line={line} />
      {page !== undefined && (
        <Link className={css["phone-help"]} to={leadingBack(page, pathname)} aria-label="Handbook: this step">
          ?
        </Link>
      )}
      <Link className={css["mark"]} to="/" aria-label="To the paddock">
        <Mark size={28} />
      </Link>
    </header>
  );
});

/** Four places in reach of a thumb; the rest behind More. */
export const PhoneNav = memo(function PhoneNav({ context }: { context: RigContext }) {
  const { pathname } = useLocation();
  const [open, setOpen] = useState(false);
  const { id } = context.header;
  const here = placeAt(id, pathname);
  const places = placesFor(context.build, context.game !== undefined);
  const rest = places.filter(({ onPhone }) => !onPhone);
  const link = (place: Place, detail?: string) => (
    <Link
      key={place.name}
      to={placeLink(place, id, pathname)}
      prefetch="intent"
      aria-current={place === here ? "page" : undefined}
      onClick={() => setOpen(false)}
    >
      {place.name}
      {detail !== undefined && <small>{detail}</small>}
    </Link>
  );
  return (
    <nav className={css["phone-nav"]} aria-label="The work">
      {places.filter(({ onPhone }) => onPhone).map((place) => link(place))}
      <button
        type="button"
        aria-expanded={open}
        className={here && rest.includes(here) ? css["here"] : ""}
        onClick={() => setOpen(true)}
      >
        More
      </button>
      {open && (
        <Pulled from="bottom" label="More of the work" onClose={() => setOpen(false)}>
          <div className={css["more"]}>
            {rest.map((place) => link(place, place.state(context)))}
            <Link to="/">Paddock</Link>
            <Link to="/handbook">Handbook</Link>
            <Link to="/find">Find</Link>
            <Link to="/data">Data</Link>
            <LightButton wordy />
          </div>
        </Pulled>
      )}
    </nav>
  );
});

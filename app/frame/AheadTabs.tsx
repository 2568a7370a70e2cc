import { NavLink } from "react-router";
import { placeHref } from "./places.ts";
import { useRig } from "./use-rig.ts";

const TABS = [
  ["Day", "day"],
  ["Route", "route"],
  ["Pack", "pack"],
  ["Season", "season"],
  ["Places", "places"],
  ["Days like today", "days"],
] as const;

/** The screens that look ahead. */
export function AheadTabs() {
  const { header } = useRig();
  return (
    <nav className="tabs no-print" aria-label="The day ahead">
      {TABS.map(([text, path]) => (
        <NavLink key={path} to={placeHref(header.id, path)}>
          {text}
        </NavLink>
      ))}
    </nav>
  );
}

import { NavLink } from "react-router";
import { useRig } from "./use-rig.ts";
import { placeHref } from "./places.ts";

/** The screens of an engine with several cylinders. */
export function CylinderTabs() {
  const { header } = useRig();
  return (
    <nav className="tabs" aria-label="Several cylinders">
      <NavLink to={placeHref(header.id, "cylinders")}>Side by side</NavLink>
      <NavLink to={placeHref(header.id, "balance")}>Balance</NavLink>
    </nav>
  );
}

import { NavLink } from "react-router";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";

const TABS = [
  ["Described", "build"],
  ["To measure", "measure"],
  ["Needle", "needle"],
  ["Box", "box"],
  ["Parts", "parts"],
  ["Base", "base"],
  ["Teardown", "teardown"],
  ["Work", "work"],
  ["Ways", "schools"],
] as const;

/** The screens that together describe the machine. */
export function RigTabs() {
  const { header } = useRig();
  return (
    <nav className="tabs" aria-label="The rig">
      {TABS.map(([text, path]) => (
        <NavLink key={path} to={placeHref(header.id, path)}>
          {text}
        </NavLink>
      ))}
    </nav>
  );
}

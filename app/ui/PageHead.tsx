import { Link, NavLink } from "react-router";
import { Mark } from "./Mark.tsx";
import { LightButton } from "./LightButton.tsx";

/** The head of the pages outside a rig. */
export function PageHead() {
  return (
    <header>
      <Link className="brand" to="/" style={{ paddingInline: 0 }}>
        <Mark /> Tamis
      </Link>
      <nav aria-label="Pages" className="no-print">
        <NavLink to="/" end>
          Paddock
        </NavLink>
        <NavLink to="/handbook">Handbook</NavLink>
        <NavLink to="/find">Find</NavLink>
        <NavLink to="/data">Data</NavLink>
        <LightButton />
      </nav>
    </header>
  );
}

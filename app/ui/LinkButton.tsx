import type { ReactNode } from "react";
import { Link } from "react-router";
import { later } from "./later.tsx";

export interface LinkButtonProps {
  readonly to: string;
  readonly variant: "contained" | "outlined";
  readonly children: ReactNode;
}

const Bare = ({ to, children }: LinkButtonProps) => (
  <Link className="button-room" to={to}>
    {children}
  </Link>
);

/** A way on, on a first screen: it leads there at once, and looks like a button as soon as buttons are there. */
export const LinkButton = later(() => import("./DressedLink.tsx"), { Meanwhile: Bare });

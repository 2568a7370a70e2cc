import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { Link } from "react-router";

interface LinkButtonProps {
  readonly to: string;
  readonly variant: "contained" | "outlined";
  readonly children: ReactNode;
}

/** A way on that looks like a button. */
export const LinkButton = ({ to, variant, children }: LinkButtonProps) => (
  <Button component={Link} to={to} variant={variant}>
    {children}
  </Button>
);

import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { LinkButtonProps } from "./LinkButton.tsx";

const DressedLink = ({ to, variant, children }: LinkButtonProps) => (
  <Button component={Link} to={to} variant={variant}>
    {children}
  </Button>
);
export default DressedLink;

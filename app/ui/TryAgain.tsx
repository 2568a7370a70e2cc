import Button from "@mui/material/Button";

/** The way out where something has gone wrong. */
export const TryAgain = ({ variant = "outlined" }: { variant?: "contained" | "outlined" }) => (
  <Button variant={variant} onClick={() => location.reload()} className="start">
    Try again
  </Button>
);

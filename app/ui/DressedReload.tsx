import Button from "@mui/material/Button";
import type { TryAgainProps } from "./TryAgain.tsx";

const DressedReload = ({ variant = "outlined" }: TryAgainProps) => (
  <Button variant={variant} onClick={() => location.reload()} className="start">
    Try again
  </Button>
);
export default DressedReload;

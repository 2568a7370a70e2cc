import IconButton from "@mui/material/IconButton";
import Close from "@mui/icons-material/Close";

export const JETS = [
  ["pilot", "Pilot"],
  ["main", "Main"],
] as const;

export const NUMBERINGS = [
  ["diameter", "By diameter, 1/100 mm"],
  ["flow", "By flow"],
] as const;

export const RemoveButton = ({ label, onClick }: { label: string; onClick: () => void }) => (
  <IconButton aria-label={label} onClick={onClick} sx={{ width: 52, height: 52 }}>
    <Close />
  </IconButton>
);

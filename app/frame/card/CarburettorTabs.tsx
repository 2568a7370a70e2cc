import css from "../frame.module.css";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { cylindersFedBy } from "#core/rig/carburettors.ts";
import type { RigContext } from "../use-rig.ts";

export default function CarburettorTabs({ context }: { context: RigContext }) {
  const { build, carburettor, present, setCarburettor } = context;
  const feeds = cylindersFedBy(build, carburettor).join(" and ");
  return (
    <div className={css["which"]}>
      <ToggleButtonGroup
        exclusive
        fullWidth
        value={carburettor}
        aria-label="Carburettor"
        onChange={(_, next: number | null) => {
          if (next !== null) setCarburettor(next);
        }}
      >
        {present.settings.map((_, i) => (
          <ToggleButton key={i} value={i} aria-label={`Carburettor ${i + 1}`}>
            {i + 1}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <small className="quiet">feeds {feeds}</small>
    </div>
  );
}

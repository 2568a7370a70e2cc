import css from "../frame.module.css";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import type { Advice } from "#core/advice/card/advise.ts";
import { cylindersFedBy } from "#core/rig/carburettors.ts";
import type { RigContext } from "../use-rig.ts";

/** Carburettors that differ have a card each; those set alike share one. */
export function WhichCarburettor({ context, advice }: { context: RigContext; advice: Advice }) {
  if (advice.groups === 1) return null;
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

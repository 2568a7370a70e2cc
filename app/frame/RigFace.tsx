import css from "./frame.module.css";
import type { Build, Header } from "#core/log/schema.ts";

/** The number plate is the rig's face. */
export function RigFace({ header, line }: { header: Header; line: string }) {
  return (
    <div className={css["rig-face"]}>
      <span className={css["plate"]}>{header.plate}</span>
      <div>
        <strong>{header.name}</strong>
        <small>{line}</small>
        {header.simulated && <small>SIMULATED</small>}
      </div>
    </div>
  );
}

export const slideLine = ({ carburettor }: Build): string =>
  `${carburettor.boreMm} mm ${carburettor.slide.kind === "vacuum" ? "vacuum slide" : "slide"}`;

import InfoOutlined from "@mui/icons-material/InfoOutlined";
import WarningAmber from "@mui/icons-material/WarningAmber";
import type { ReactNode } from "react";
import { cautionClass, type CautionWeight } from "./caution-class.ts";

export interface CautionProps extends CautionWeight {
  readonly children: ReactNode;
}

/** A caution at the step it belongs to: an icon and words, never colour alone. */
export function Caution({ children, grave = false, plain = false }: CautionProps) {
  return (
    <div className={cautionClass({ grave, plain })} role={grave ? "alert" : "note"}>
      {plain ? <InfoOutlined fontSize="small" /> : <WarningAmber fontSize="small" />}
      <span>{children}</span>
    </div>
  );
}

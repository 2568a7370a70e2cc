import InfoOutlined from "@mui/icons-material/InfoOutlined";
import WarningAmber from "@mui/icons-material/WarningAmber";
import type { ReactNode } from "react";

/** A caution at the step it belongs to: an icon and words, never colour alone. */
export function Caution({
  children,
  grave = false,
  plain = false,
}: {
  children: ReactNode;
  grave?: boolean;
  plain?: boolean;
}) {
  return (
    <div
      className={`caution${grave ? " grave" : ""}${plain ? " plain" : ""}`}
      role={grave ? "alert" : "note"}
    >
      {plain ? <InfoOutlined fontSize="small" /> : <WarningAmber fontSize="small" />}
      <span>{children}</span>
    </div>
  );
}

import InfoOutlined from "@mui/icons-material/InfoOutlined";
import WarningAmber from "@mui/icons-material/WarningAmber";
import clsx from "clsx";
import type { ReactNode } from "react";
import { AboutLink } from "./AboutLink.tsx";

interface CautionProps {
  readonly children: ReactNode;
  readonly grave?: boolean;
  readonly plain?: boolean;
  /** the page of the handbook about it */
  readonly page?: string | undefined;
}

/** A caution at the step it belongs to, its words beside an icon: never colour alone. */
export const Caution = ({ children, grave = false, plain = false, page }: CautionProps) => (
  <div className={clsx("caution", grave && "grave", plain && "plain")} role={grave ? "alert" : "note"}>
    {plain ? <InfoOutlined fontSize="small" /> : <WarningAmber fontSize="small" />}
    <span>
      {children}
      {page !== undefined && (
        <>
          {" "}
          <AboutLink page={page} />
        </>
      )}
    </span>
  </div>
);

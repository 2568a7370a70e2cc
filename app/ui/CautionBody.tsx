import clsx from "clsx";
import type { ReactNode } from "react";

export interface CautionProps {
  readonly children: ReactNode;
  readonly grave?: boolean;
  readonly plain?: boolean;
}

/** The words of a caution beside its icon: never colour alone. */
export const CautionBody = ({
  icon,
  children,
  grave = false,
  plain = false,
}: CautionProps & { icon: ReactNode }) => (
  <div className={clsx("caution", grave && "grave", plain && "plain")} role={grave ? "alert" : "note"}>
    {icon}
    <span>{children}</span>
  </div>
);

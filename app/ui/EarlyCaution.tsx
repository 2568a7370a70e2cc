import type { CautionProps } from "./Caution.tsx";
import { cautionClass } from "./caution-class.ts";
import { later } from "./later.tsx";

const Words = ({ children, ...how }: CautionProps) => (
  <div className={cautionClass(how)} role={how.grave ? "alert" : "note"}>
    <span className="icon-room" />
    <span>{children}</span>
  </div>
);

/** A caution on a first screen: its words stand with the card and do not wait for their icon. */
export const EarlyCaution = later<CautionProps>(
  async () => ({ default: (await import("./Caution.tsx")).Caution }),
  { Meanwhile: Words },
);

import { CautionBody, type CautionProps } from "./CautionBody.tsx";
import type { CautionIconProps } from "./CautionIcon.tsx";
import { later } from "./later.tsx";

const Room = () => <span className="icon-room" />;
const Icon = later<CautionIconProps>(() => import("./CautionIcon.tsx"), { Meanwhile: Room });

/** A caution on a first screen: its words stand with the card and do not wait for their icon. */
export const EarlyCaution = (props: CautionProps) => (
  <CautionBody {...props} icon={<Icon plain={props.plain} />} />
);

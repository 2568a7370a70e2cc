import { CautionBody, type CautionProps } from "./CautionBody.tsx";
import CautionIcon from "./CautionIcon.tsx";

/** A caution at the step it belongs to. */
export const Caution = (props: CautionProps) => (
  <CautionBody {...props} icon={<CautionIcon plain={props.plain} />} />
);

import clsx from "clsx";

export interface CautionWeight {
  readonly grave?: boolean;
  readonly plain?: boolean;
}

export const cautionClass = ({ grave, plain }: CautionWeight): string =>
  clsx("caution", grave && "grave", plain && "plain");

import { EarlyCaution } from "./EarlyCaution.tsx";
import { useCardStands } from "./first-card.ts";
import { LinkButton } from "./LinkButton.tsx";
import { TryAgain } from "./TryAgain.tsx";

interface TroubleProps {
  readonly message: string;
  /** within a page that goes on standing around it */
  readonly inside?: boolean;
}

/** A screen that could not be shown: what is wrong, and the ways on. */
export function Trouble({ message, inside = false }: TroubleProps) {
  useCardStands(true);
  const Place = inside ? "div" : "main";
  return (
    <Place className={inside ? "stack" : "page stack"} style={{ paddingTop: 32 }}>
      <h1>This cannot be shown</h1>
      <EarlyCaution grave>{message}</EarlyCaution>
      <div className="row">
        <TryAgain variant="contained" />
        <LinkButton variant="outlined" to="/">
          To the paddock
        </LinkButton>
        <LinkButton variant="outlined" to="/data">
          To the data
        </LinkButton>
      </div>
    </Place>
  );
}

import { Caution } from "./Caution.tsx";
import { LinkButton } from "./LinkButton.tsx";
import { TryAgain } from "./TryAgain.tsx";

interface TroubleProps {
  readonly message: string;
  /** within a page that goes on standing around it */
  readonly inside?: boolean;
}

/** A screen that could not be shown: what is wrong, and the ways on. */
export function Trouble({ message, inside = false }: TroubleProps) {
  const Place = inside ? "div" : "main";
  return (
    <Place className={inside ? "stack" : "page stack"} style={{ paddingTop: 32 }}>
      <h1>This cannot be shown</h1>
      <Caution grave>{message}</Caution>
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

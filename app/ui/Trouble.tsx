import Button from "@mui/material/Button";
import { Link } from "react-router";
import { Caution } from "./Caution.tsx";

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
        <Button variant="contained" onClick={() => location.reload()}>
          Try again
        </Button>
        <Button variant="outlined" component={Link} to="/">
          To the paddock
        </Button>
        <Button variant="outlined" component={Link} to="/data">
          To the data
        </Button>
      </div>
    </Place>
  );
}

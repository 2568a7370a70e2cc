/** In place of a screen that practice does not need: it would say what is covered, or describe another machine. */
import { Link } from "react-router";

export const ClosedPlace = ({ rigId }: { rigId: string }) => (
  <div className="stack">
    <h1>Closed in practice</h1>
    <p className="lead quiet">This screen works on your own rigs.</p>
    <Link to={`/rigs/${rigId}/practice`}>Back to the practice engine</Link>
  </div>
);

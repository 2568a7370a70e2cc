import { Link } from "react-router";

/** An address that is no page: the way on. */
export const NoSuchPage = () => (
  <>
    <h1>No such page</h1>
    <p role="alert">
      The handbook has no page at this address. <Link to="/handbook">Look at the contents</Link>, or search
      there.
    </p>
  </>
);

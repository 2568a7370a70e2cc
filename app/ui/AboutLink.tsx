import { Link, useLocation } from "react-router";
import { LAW_PAGE, leadingBack } from "#app/vocabulary/help.ts";

/** From a caution or a fault to its page of the handbook, which leads back. */
export function AboutLink({ page }: { page: string }) {
  const { pathname } = useLocation();
  return (
    <Link className="no-print" to={leadingBack(page, pathname)}>
      {page === LAW_PAGE ? "Law and classes" : "About this"}
    </Link>
  );
}

/** What stands around a page of the handbook: contents, the page before and the page after, the way back. */
import { Link, NavLink, Outlet, useLocation } from "react-router";
import { HANDBOOK, HANDBOOK_GROUPS, handbookHref } from "#app/vocabulary/handbook.ts";
import { PageHead } from "#app/ui/PageHead.tsx";
import { WayBack } from "./WayBack.tsx";
import css from "./handbook.module.css";

const Contents = () => (
  <nav aria-label="Contents" className={css["contents"]}>
    {HANDBOOK_GROUPS.map((group) => (
      <section key={group}>
        <h2 className="label">{group}</h2>
        <ul>
          {HANDBOOK.filter((page) => page.group === group).map(({ slug, title }) => (
            <li key={slug}>
              <NavLink to={handbookHref(slug)}>{title}</NavLink>
            </li>
          ))}
        </ul>
      </section>
    ))}
  </nav>
);

export default function HandbookLayout() {
  const { pathname } = useLocation();
  const at = HANDBOOK.findIndex(({ slug }) => pathname.replace(/\/$/, "") === handbookHref(slug));
  const [before, after] = [HANDBOOK[at - 1], HANDBOOK[at + 1]];
  return (
    <div className="page">
      <PageHead />
      <div className={css["book"]}>
        <details className={css["drawer"]}>
          <summary>Contents</summary>
          <Contents />
        </details>
        <aside className={css["rail"]}>
          <Contents />
        </aside>
        <main className={css["leaf"]} tabIndex={-1}>
          <WayBack />
          <Outlet />
          <nav aria-label="Next and previous" className={css["turn"]}>
            {before && <Link to={handbookHref(before.slug)}>← {before.title}</Link>}
            {after && <Link to={handbookHref(after.slug)}>{after.title} →</Link>}
          </nav>
        </main>
      </div>
    </div>
  );
}

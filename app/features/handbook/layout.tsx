/** What is around a page of the handbook: contents, search, the page before and the page after, the way back. */
import { MDXProvider } from "@mdx-js/react";
import type { ComponentProps } from "react";
import { Link, NavLink, Outlet, useLocation } from "react-router";
import { HANDBOOK, HANDBOOK_GROUPS, pageAt } from "#app/vocabulary/handbook.ts";
import { handbookHref } from "#app/vocabulary/help.ts";
import { PageHead } from "#app/ui/PageHead.tsx";
import { Term } from "#app/ui/Term.tsx";
import { WithPreferences } from "./Amount.tsx";
import css from "./handbook.module.css";
import { Search } from "./Search.tsx";
import { WayBack } from "./WayBack.tsx";
import { WideTable } from "./WideTable.tsx";

/** A link of a page turns it without loading the app anew. */
const PageLink = ({ href = "", children }: ComponentProps<"a">) => <Link to={href}>{children}</Link>;
const PIECES = { a: PageLink, table: WideTable, Term };

const Contents = ({ open }: { open: string | undefined }) => (
  <nav aria-label="Contents" className={css["contents"]}>
    {HANDBOOK_GROUPS.map(({ title, pages }) => (
      <details key={`${title} ${open}`} open={pages.some(({ slug }) => slug === open)}>
        <summary>{title}</summary>
        <ul>
          {pages.map((page) => (
            <li key={page.slug}>
              <NavLink to={handbookHref(page.slug)} end>
                {page.title}
              </NavLink>
            </li>
          ))}
        </ul>
      </details>
    ))}
  </nav>
);

export default function HandbookLayout() {
  const { pathname } = useLocation();
  const page = pageAt(pathname);
  const at = page ? HANDBOOK.indexOf(page) : -1;
  const [before, after] = page ? [HANDBOOK[at - 1], HANDBOOK[at + 1]] : [];
  return (
    <div className="page">
      <PageHead />
      <div className={css["book"]}>
        <details className={css["rail"]} key={pathname}>
          <summary>Contents and search</summary>
          <Search />
          <Contents open={page?.slug} />
        </details>
        <main className={css["leaf"]} tabIndex={-1}>
          <WayBack page={page} />
          <WithPreferences>
            <MDXProvider components={PIECES}>
              <Outlet />
            </MDXProvider>
          </WithPreferences>
          <nav aria-label="Next and previous" className={css["turn"]}>
            {before && <Link to={handbookHref(before.slug)}>← {before.title}</Link>}
            {after && <Link to={handbookHref(after.slug)}>{after.title} →</Link>}
          </nav>
        </main>
      </div>
    </div>
  );
}

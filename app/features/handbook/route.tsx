/** Contents of the handbook. */
import { Link } from "react-router";
import { HANDBOOK_GROUPS } from "#app/vocabulary/handbook.ts";
import { handbookHref } from "#app/vocabulary/help.ts";
import css from "./handbook.module.css";

export const meta = () => [{ title: "Handbook · Tamis" }];

export default function Handbook() {
  return (
    <>
      <h1>Handbook</h1>
      <p>
        How a slide carburettor is set, step by step, with its cautions. No engine at hand?{" "}
        <Link to="/practice">Jet a practice engine</Link>.
      </p>
      <div className={css["all"]}>
        {HANDBOOK_GROUPS.map(({ title, pages }) => (
          <section key={title}>
            <h2 className="label">{title}</h2>
            <ul>
              {pages.map((page) => (
                <li key={page.slug}>
                  <Link to={handbookHref(page.slug)}>{page.title}</Link>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
    </>
  );
}

import { useState, type ReactNode } from "react";
import { Link } from "react-router";
import { GLOSSARY, type Term as Name } from "#app/vocabulary/glossary.ts";
import { handbookHref } from "#app/vocabulary/help.ts";

interface TermProps {
  readonly of: Name;
  readonly children: ReactNode;
}

/** A word of the trade in a sentence: a tap opens its note behind it; before scripts run it leads to the list of words. */
export function Term({ of, children }: TermProps) {
  const [open, setOpen] = useState(false);
  const { means, page } = GLOSSARY[of];
  return (
    <>
      <Link
        className="term"
        to={`${handbookHref("words")}#${of}`}
        aria-expanded={open}
        onClick={(event) => {
          event.preventDefault();
          setOpen(!open);
        }}
      >
        {children}
      </Link>
      {open && (
        <span className="term-note" role="note">
          {means} <Link to={handbookHref(page)}>More</Link>
        </span>
      )}
    </>
  );
}
